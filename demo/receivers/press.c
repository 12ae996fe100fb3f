/* What C shows of the vector: each name and its value, a NUL behind each. */
#include <stdio.h>

int main(int argc, char **argv) {
    printf("argc %d%c", argc, 0);
    for (int at = 0; at < argc; at++) printf("argv[%d] %s%c", at, argv[at], 0);
    printf("argv[%d] %s%c", argc, argv[argc] ? "a string" : "NULL", 0);
    return 0;
}
