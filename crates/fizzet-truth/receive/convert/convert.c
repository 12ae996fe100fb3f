/* What C's conversions make of each argument: its number, the conversion, the result. */
#include <errno.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <stdint.h>
#include <string.h>

static const char *bits(double value) {
    static char text[20];
    uint64_t word;
    memcpy(&word, &value, 8);
    if (isnan(value)) return "nan";
    snprintf(text, sizeof text, "%016llx", (unsigned long long)word);
    return text;
}

int main(int argc, char **argv) {
    for (int at = 1; at < argc; at++) {
        const char *text = argv[at];
        char *end;
        printf("%d atoi %d\n", at, atoi(text));
        int bases[] = {10, 0, 16};
        for (int which = 0; which < 3; which++) {
            errno = 0;
            long value = strtol(text, &end, bases[which]);
            printf("%d strtol-%d %ld stops %d%s\n", at, bases[which], value, (int)(end - text), errno == ERANGE ? " ERANGE" : "");
        }
        errno = 0;
        double value = strtod(text, &end);
        int range = errno == ERANGE;
        printf("%d strtod %s stops %d%s\n", at, bits(value), (int)(end - text), range ? " ERANGE" : "");
        printf("%d atof %s\n", at, bits(atof(text)));
    }
}
