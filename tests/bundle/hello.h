/* What a machine gives to the program, and what it calls. */
#ifndef JADELAMP_TESTS_BUNDLE_HELLO_H
#define JADELAMP_TESTS_BUNDLE_HELLO_H

#include <stddef.h>

void emit(const void *bytes, size_t count);
void hello(void);

#endif
