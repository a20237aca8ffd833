/*
 * The test harness: named groups in a table, checks that say what they saw.
 *
 *   static void adds(void) { EXPECT_INT(add(1, 2), 3); }
 *   const struct test_group test_groups[] = {{"adds", adds}, {NULL, NULL}};
 *
 * A program runs all groups, or the one named as its argument. Every check
 * counts; a group without a check fails, so that no test can be empty.
 */
#ifndef JADELAMP_TESTS_HARNESS_H
#define JADELAMP_TESTS_HARNESS_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#include "jadelamp/sim/picture.h"

struct test_group {
    const char *name;
    void (*run)(void);
};

/* Defined by each test program; ends with a NULL name. */
extern const struct test_group test_groups[];

/* Names the row of a table that the next checks are about; kept until changed. */
__attribute__((format(printf, 1, 2))) void test_row(const char *format, ...);

bool test_check(bool good, const char *file, int line, const char *format, ...)
    __attribute__((format(printf, 4, 5)));

bool test_int(long long seen, long long expected, const char *what, const char *file, int line);
bool test_text(const char *seen, const char *expected, const char *what, const char *file,
               int line);
bool test_contains(const char *seen, const char *part, const char *file, int line);
bool test_bytes(const void *seen, const void *expected, size_t count, const char *what,
                const char *file, int line);

/* Compares with another picture; on failure writes seen, expected and their difference as PNG. */
bool test_picture(const struct jl_picture *seen, const struct jl_picture *expected,
                  const char *name, const char *file, int line);

/* Compares with tests/expected/NAME.png. */
bool test_stored_picture(const struct jl_picture *seen, const char *name, const char *file,
                         int line);

#define EXPECT(condition)           test_check((condition), __FILE__, __LINE__, "%s", #condition)
#define EXPECT_INT(seen, expected)  test_int((seen), (expected), #seen, __FILE__, __LINE__)
#define EXPECT_TEXT(seen, expected) test_text((seen), (expected), #seen, __FILE__, __LINE__)
#define EXPECT_CONTAINS(seen, part) test_contains((seen), (part), __FILE__, __LINE__)
#define EXPECT_BYTES(seen, expected, count)                                                        \
    test_bytes((seen), (expected), (count), #seen, __FILE__, __LINE__)
#define EXPECT_PICTURE(seen, expected, name)                                                       \
    test_picture((seen), (expected), (name), __FILE__, __LINE__)
#define EXPECT_STORED_PICTURE(seen, name) test_stored_picture((seen), (name), __FILE__, __LINE__)

/*
 * How much is tried of what takes long. The environment's JADELAMP_THOROUGH says one of how many
 * cases: 1 at night in CI, 4 by day, 8 under AddressSanitizer; 16 where it is not set.
 * test_cases() is that share of `all` random cases, test_turn() whether case `index` of a long
 * table is tried: each up to 8, every fourth beyond.
 */
int test_cases(int all);
bool test_turn(long index);

/* A seeded sequence of numbers (xorshift32), the same in every run. */
struct test_random {
    uint32_t state;
};
uint32_t test_random_next(struct test_random *random);
/* least..most, both included. */
int test_random_between(struct test_random *random, int least, int most);
/* Mostly near 0..span, sometimes anywhere in int16_t, sometimes its very ends. */
int16_t test_random_coordinate(struct test_random *random, int span);

#endif
