#include "harness.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/png.h"

enum { MOST_SHOWN = 20 };

static char row[256];
static long checks, failures;

void test_row(const char *format, ...) {
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(row, sizeof row, format, arguments);
    va_end(arguments);
}

bool test_check(bool good, const char *file, int line, const char *format, ...) {
    checks++;
    if (good) {
        return true;
    }
    if (failures++ < MOST_SHOWN) {
        va_list arguments;
        printf("%s:%d: ", file, line);
        va_start(arguments, format);
        vprintf(format, arguments);
        va_end(arguments);
        printf("%s%s\n", *row ? "\n    in row: " : "", row);
    }
    return false;
}

bool test_int(long long seen, long long expected, const char *what, const char *file, int line) {
    return test_check(seen == expected, file, line, "%s is %lld (0x%llX), expected %lld (0x%llX)",
                      what, seen, seen, expected, expected);
}

bool test_text(const char *seen, const char *expected, const char *what, const char *file,
               int line) {
    return test_check(strcmp(seen, expected) == 0, file, line, "%s is \"%s\", expected \"%s\"",
                      what, seen, expected);
}

bool test_contains(const char *seen, const char *part, const char *file, int line) {
    return test_check(strstr(seen, part) != NULL, file, line, "\"%s\" does not contain \"%s\"",
                      seen, part);
}

bool test_bytes(const void *seen, const void *expected, size_t count, const char *what,
                const char *file, int line) {
    const uint8_t *s = seen;
    const uint8_t *e = expected;
    size_t i = 0;
    while (i < count && s[i] == e[i]) {
        i++;
    }
    return test_check(i == count, file, line, "%s: byte %zu is 0x%02X, expected 0x%02X", what, i,
                      i < count ? s[i] : 0, i < count ? e[i] : 0);
}

static void keep_picture(const char *name, const char *role, const struct jl_picture *picture) {
    char base[300];
    char path[512];
    struct jl_complaint complaint;
    snprintf(base, sizeof base, "%s-%s", name, role);
    if (!jl_directory_make("failed", &complaint) ||
        !jl_path_join(path, sizeof path, "failed", base, ".png", &complaint) ||
        !jl_png_write(path, picture, &complaint)) {
        printf("    %s\n", complaint.text);
        return;
    }
    printf("    %s: %s\n", role, path);
}

bool test_picture(const struct jl_picture *seen, const struct jl_picture *expected,
                  const char *name, const char *file, int line) {
    struct jl_picture difference;
    long differing = jl_picture_compare(seen, expected, 0, &difference);
    bool good = test_check(differing == 0, file, line,
                           "picture %s: %ld of %d pixels differ from what is expected", name,
                           differing, expected->width * expected->height);
    if (!good && failures < MOST_SHOWN) {
        keep_picture(name, "seen", seen);
        keep_picture(name, "expected", expected);
        keep_picture(name, "difference", &difference);
    }
    jl_picture_free(&difference);
    return good;
}

bool test_stored_picture(const struct jl_picture *seen, const char *name, const char *file,
                         int line) {
    char path[512];
    struct jl_picture expected;
    struct jl_complaint complaint;
    snprintf(path, sizeof path, "%s/%s.png", TEST_EXPECTED_DIR, name);
    if (!jl_png_read(path, &expected, &complaint)) {
        return test_check(false, file, line, "%s", complaint.text);
    }
    bool good = test_picture(seen, &expected, name, file, line);
    jl_picture_free(&expected);
    return good;
}

uint32_t test_random_next(struct test_random *random) {
    uint32_t x = random->state ? random->state : 1;
    x ^= x << 13;
    x ^= x >> 17;
    x ^= x << 5;
    return random->state = x;
}

int test_random_between(struct test_random *random, int least, int most) {
    return least + (int)(test_random_next(random) % (uint32_t)(most - least + 1));
}

int16_t test_random_coordinate(struct test_random *random, int span) {
    static const int16_t ends[] = {INT16_MIN, INT16_MIN + 1, -1, 0, INT16_MAX - 1, INT16_MAX};
    int kind = test_random_between(random, 0, 15);
    if (kind == 0) {
        return ends[test_random_between(random, 0, 5)];
    }
    if (kind == 1) {
        return (int16_t)test_random_between(random, INT16_MIN, INT16_MAX);
    }
    return (int16_t)test_random_between(random, -span / 4, span + span / 4);
}

int main(int argc, char **argv) {
    bool found = argc < 2;
    int bad_groups = 0;
    for (const struct test_group *group = test_groups; group->name; group++) {
        if (argc > 1 && strcmp(argv[1], group->name) != 0) {
            continue;
        }
        found = true;
        checks = failures = 0;
        row[0] = '\0';
        group->run();
        if (!checks) {
            printf("%s: no check was made\n", group->name);
        }
        bad_groups += failures || !checks;
        printf("%-24s %ld checks, %ld failed\n", group->name, checks, failures);
    }
    if (!found) {
        printf("no group %s\n", argv[1]);
    }
    return found && !bad_groups ? 0 : 1;
}

/* One of how many cases is tried. */
static int one_of(void) {
    const char *wish = getenv("JADELAMP_THOROUGH");
    int part = wish ? atoi(wish) : 0;
    return part > 0 ? part : 16;
}

int test_cases(int all) {
    int part = one_of();
    return (all + part - 1) / part;
}

bool test_turn(long index) {
    return one_of() <= 8 || index % 4 == 0;
}
