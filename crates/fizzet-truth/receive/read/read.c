/* The argument of this number, read in the usual way. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
int main(int argc, char **argv) {
    char *text = argv[atoi(getenv("READ"))];
    printf("length %zu\n", strlen(text));
    printf("value [%s]\n", text);
}
