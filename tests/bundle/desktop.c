/* On the desktop: to standard output. */
#include <stdio.h>

#include "hello.h"

void emit(const void *bytes, size_t count) {
    fwrite(bytes, 1, count, stdout);
}

int main(void) {
    hello();
    return fflush(stdout) == 0 ? 0 : 1;
}
