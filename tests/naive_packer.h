/* Packing as image.h describes it, written for comparison with what the library reads. */
#ifndef JADELAMP_TESTS_PACKER_H
#define JADELAMP_TESTS_PACKER_H

#include <stddef.h>
#include <stdint.h>

#include "harness.h"

/*
 * Packs lines of `units` units each. Where `random` is given, runs and literals are cut anywhere:
 * every way is right. Returns the bytes of `out`, which has room for twice the input.
 */
size_t pack_lines(const uint8_t *lines, size_t units, size_t unit_bytes, size_t count,
                  struct test_random *random, uint8_t *out);

#endif
