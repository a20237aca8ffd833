/* What a test expects of its stand, and what it leaves where that is not so. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/compare.h"
#include "jadelamp/host/findings.h"
#include "jadelamp/host/png.h"
#include "jadelamp/sim/cells.h"
#include "stand_parts.h"

#define LIGHT_UP_PS 200000000000u

/* ---- the glass ---- */

/* "greeting-big" of test "greeting" and picture "expected/big.png"; "greeting" where both are one.
 */
static void name_files(const struct jl_stand *stand, const char *png, char *base, size_t size) {
    const char *slash = strrchr(png, '/');
    const char *picture = slash ? slash + 1 : png;
    int length = (int)strcspn(picture, ".");
    bool same =
        (size_t)length == strlen(stand->name) && strncmp(picture, stand->name, (size_t)length) == 0;
    snprintf(base, size, "%s%s%.*s", stand->name, same ? "" : "-", same ? 0 : length, picture);
}

static void leave_picture(struct jl_stand *stand, const char *what, const char *base,
                          const char *ending, const struct jl_picture *picture) {
    char path[1024];
    struct jl_complaint complaint = {""};
    if (jl_path_join(path, sizeof path, ".", base, ending, &complaint) &&
        jl_png_write(path, picture, &complaint)) {
        fprintf(stderr, "  %s: %s\n", what, path);
    } else {
        fprintf(stderr, "  %s\n", complaint.text);
        stand->unwritten = true;
    }
}

static void tell_difference(const struct jl_picture *expected, const struct jl_picture *seen,
                            const char *png) {
    struct jl_comparison comparison;
    if (expected->width != seen->width || expected->height != seen->height) {
        fprintf(stderr, "the glass is %dx%d, %s is %dx%d\n", seen->width, seen->height, png,
                expected->width, expected->height);
    } else if (jl_compare(expected, seen, 0, &comparison)) {
        fprintf(stderr,
                "the glass differs from %s in %ld pixel%s, columns %d to %d, rows %d to %d\n", png,
                comparison.differing, comparison.differing == 1 ? "" : "s", comparison.left,
                comparison.right, comparison.top, comparison.bottom);
        if (*comparison.relation) {
            fprintf(stderr, "  it is that picture %s\n", comparison.relation);
        }
    }
}

static bool compare(struct jl_stand *stand, const struct jl_picture *expected,
                    const struct jl_picture *seen, const char *png, const char *file, int line) {
    struct jl_picture difference = {0};
    char base[2 * STAND_NAME_BYTES];
    if (expected->width == seen->width && expected->height == seen->height &&
        jl_picture_compare(expected, seen, 0, NULL) == 0) {
        return true;
    }
    const char *why = jl_device_why_dark(stand->rig.device);
    jl_host_stand_fail(stand, file, line);
    tell_difference(expected, seen, png);
    if (why) {
        fprintf(stderr, "  it is dark: %s\n", why);
    }
    jl_picture_compare(expected, seen, 0, &difference);
    name_files(stand, png, base, sizeof base);
    leave_picture(stand, "the glass", base, "-glass.png", seen);
    if (difference.rgb) {
        leave_picture(stand, "the difference", base, "-difference.png", &difference);
        jl_picture_free(&difference);
    }
    return false;
}

bool jl_stand_glass(struct jl_stand *stand, const char *png, const char *file, int line) {
    struct jl_picture expected, seen;
    struct jl_complaint complaint = {""};
    char base[2 * STAND_NAME_BYTES];
    if (!stand) {
        return false;
    }
    stand->expected++;
    jl_host_stand_wait(stand, LIGHT_UP_PS);
    if (!jl_rig_look(&stand->rig, &seen)) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "out of memory for the glass\n");
        return false;
    }
    bool good = jl_png_read(png, &expected, &complaint);
    if (good) {
        good = compare(stand, &expected, &seen, png, file, line);
        jl_picture_free(&expected);
    } else {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "%s\n", complaint.text);
        name_files(stand, png, base, sizeof base);
        leave_picture(stand, "look at the glass, and keep it as that file if it is right", base,
                      "-glass.png", &seen);
    }
    jl_picture_free(&seen);
    return good;
}

/* ---- the text of a character module ---- */

/* Without the blanks at its end. */
static size_t bare_length(const char *line) {
    size_t length = strcspn(line, "\n");
    while (length && line[length - 1] == ' ') {
        length--;
    }
    return length;
}

/* The next line of what jl_cells_text() gives, "|text|", without its bars; NULL: there is none. */
static char *take_shown(char **at) {
    if (**at != '|') {
        return NULL;
    }
    char *line = *at + 1, *end = strchr(line, '\n');
    *at = end ? end + 1 : line + strlen(line);
    char *bar = end ? end - 1 : line + strlen(line) - 1;
    *bar = '\0';
    return line;
}

static bool same_lines(char *shown, const char *lines) {
    char *line;
    bool same = true;
    while ((line = take_shown(&shown)) != NULL) {
        size_t length = bare_length(lines);
        same &= bare_length(line) == length && memcmp(line, lines, length) == 0;
        lines += strcspn(lines, "\n");
        lines += *lines == '\n';
    }
    return same && !*lines;
}

bool jl_stand_text(struct jl_stand *stand, const char *lines, const char *file, int line) {
    if (!stand) {
        return false;
    }
    stand->expected++;
    if (!stand->rig.card.cells.bus) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "the card %s is no character module: expect its glass\n",
                stand->rig.card.name);
        return false;
    }
    size_t size = jl_cells_text(stand->rig.device, NULL, 0) + 1;
    char *shown = malloc(2 * size);
    bool good = false;
    if (shown) {
        jl_cells_text(stand->rig.device, shown, size);
        memcpy(shown + size, shown, size);
        good = same_lines(shown + size, lines);
    }
    if (!good) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "the module does not show that text, but\n%s\n  expected\n%s\n",
                shown ? shown : "(out of memory)", lines);
    }
    free(shown);
    return good;
}

/* ---- cost, findings, anything ---- */

bool jl_stand_most_bytes(struct jl_stand *stand, uint64_t most, const char *file, int line) {
    uint64_t bytes = jl_stand_bytes(stand);
    if (!stand) {
        return false;
    }
    stand->expected++;
    if (bytes > most) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "%llu bytes on the bus, at most %llu were expected\n",
                (unsigned long long)bytes, (unsigned long long)most);
    }
    return bytes <= most;
}

bool jl_stand_most_us(struct jl_stand *stand, double most, const char *file, int line) {
    double microseconds = jl_stand_wire_us(stand);
    if (!stand) {
        return false;
    }
    stand->expected++;
    if (!(microseconds <= most)) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "%.1f us on the wire, at most %.1f were expected\n", microseconds, most);
    }
    return microseconds <= most;
}

bool jl_stand_no_findings(struct jl_stand *stand, const char *file, int line) {
    if (!stand) {
        return false;
    }
    const char *why = jl_device_why_dark(stand->rig.device);
    size_t found = jl_findings_count(stand->rig.board);
    stand->expected++;
    if (!why && !found) {
        return true;
    }
    jl_host_stand_fail(stand, file, line);
    fprintf(stderr, "%zu finding%s%s%s\n", found, found == 1 ? "" : "s",
            why ? ", and the glass is dark: " : "", why ? why : "");
    jl_findings_print(stderr, stand->rig.board, 0);
    return false;
}

bool jl_stand_holds(struct jl_stand *stand, bool condition, const char *text, const char *file,
                    int line) {
    if (!stand) {
        return false;
    }
    stand->expected++;
    if (!condition) {
        jl_host_stand_fail(stand, file, line);
        fprintf(stderr, "not so: %s\n", text);
    }
    return condition;
}
