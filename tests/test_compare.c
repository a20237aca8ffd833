/* Two pictures, one made from the other by hand, and what is said of them. */
#include <stdio.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/png.h"
#include "shell.h"

/* Nothing in it repeats: a shade with a hook of blocks. */
static void paint(struct jl_picture *picture, int x, int y, uint8_t *out) {
    bool block = (x > 5 && x < 12 && y > 3 && y < picture->height - 9) ||
                 (y > 3 && y < 8 && x > 5 && x < picture->width / 2) || (x * y) % 97 < 3;
    uint8_t high = (uint8_t)(block ? 0xF8 : x * 3 & 0xF8), low = (uint8_t)(y * 4 & 0xFC);
    out[0] = (uint8_t)(high | high >> 5);
    out[1] = (uint8_t)(low | low >> 6);
    out[2] = block ? 0 : 0x84;
}

static struct jl_picture painted(int width, int height) {
    struct jl_picture picture;
    EXPECT(jl_picture_create(&picture, width, height));
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            paint(&picture, x, y, jl_picture_at(&picture, x, y));
        }
    }
    return picture;
}

/* How B comes about: each pixel from one of A, then its colour. */
struct how {
    const char *name;
    char turn;  /* x and y mirrored, 1 to 3 quarters to the right */
    char color; /* i inverted, r red and blue, b bytes */
    int dx, dy;
};

static void change(const struct how *how, const struct jl_picture *a, struct jl_picture *b) {
    bool on_side = how->turn == '1' || how->turn == '3';
    EXPECT(jl_picture_create(b, on_side ? a->height : a->width, on_side ? a->width : a->height));
    for (int y = 0; y < b->height; y++) {
        for (int x = 0; x < b->width; x++) {
            int from_x = x - how->dx, from_y = y - how->dy;
            uint8_t *out = jl_picture_at(b, x, y), was[3] = {9, 9, 9};
            switch (how->turn) {
            case 'x':
                from_x = a->width - 1 - x;
                break;
            case 'y':
                from_y = a->height - 1 - y;
                break;
            case '1': /* the left edge comes from below */
                from_x = y;
                from_y = a->height - 1 - x;
                break;
            case '2':
                from_x = a->width - 1 - x;
                from_y = a->height - 1 - y;
                break;
            case '3':
                from_x = a->width - 1 - y;
                from_y = x;
                break;
            default:
                break;
            }
            if (from_x >= 0 && from_x < a->width && from_y >= 0 && from_y < a->height) {
                memcpy(was, jl_picture_at(a, from_x, from_y), 3);
            }
            unsigned v = (unsigned)(was[0] >> 3) << 11 | (unsigned)(was[1] >> 2) << 5 | was[2] >> 3;
            unsigned w = (v & 0xFF) << 8 | v >> 8;
            const uint8_t exchanged[3] = {(uint8_t)((w >> 11) << 3 | w >> 13),
                                          (uint8_t)((w >> 5 & 63) << 2 | (w >> 9 & 3)),
                                          (uint8_t)((w & 31) << 3 | (w & 31) >> 2)};
            for (int i = 0; i < 3; i++) {
                out[i] = how->color == 'i'   ? (uint8_t)(255 - was[i])
                         : how->color == 'r' ? was[2 - i]
                         : how->color == 'b' ? exchanged[i]
                                             : was[i];
            }
        }
    }
}

static void relations(void) {
    static const struct how rows[] = {
        {"mirrored left to right", 'x', 0, 0, 0},
        {"mirrored top to bottom", 'y', 0, 0, 0},
        {"turned by 90 degrees", '1', 0, 0, 0},
        {"turned by 180 degrees", '2', 0, 0, 0},
        {"turned by 270 degrees", '3', 0, 0, 0},
        {"inverted", 0, 'i', 0, 0},
        {"with red and blue exchanged", 0, 'r', 0, 0},
        {"with the two bytes of 5-6-5 pixels exchanged", 0, 'b', 0, 0},
        {"mirrored left to right, then inverted", 'x', 'i', 0, 0},
        {"turned by 90 degrees, then with red and blue exchanged", '1', 'r', 0, 0},
        {"shifted by 2,0", 0, 0, 2, 0},
        {"shifted by -3,-7", 0, 0, -3, -7},
        {"shifted by 0,31", 0, 0, 0, 31},
        {"with red and blue exchanged, then shifted by 2,1", 0, 'r', 2, 1},
        {"inverted, then shifted by -4,0", 0, 'i', -4, 0},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_picture a = painted(96, 64), b;
        struct jl_comparison comparison;
        test_row("%s", rows[i].name);
        change(&rows[i], &a, &b);
        EXPECT(jl_compare(&a, &b, 0, &comparison));
        EXPECT_TEXT(comparison.relation, rows[i].name);
        EXPECT_INT(comparison.differing_then, 0);
        EXPECT_INT(comparison.same_size, b.width == 96);
        /* a speck on it is none of the relation's business */
        memset(jl_picture_at(&b, 40, 40), 77, 3);
        EXPECT(jl_compare(&a, &b, 0, &comparison));
        EXPECT_TEXT(comparison.relation, rows[i].name);
        EXPECT_INT(comparison.differing_then, 1);
        jl_picture_free(&a);
        jl_picture_free(&b);
    }
}

static void differences(void) {
    struct jl_picture a = painted(96, 64), b = painted(96, 64), other = painted(80, 64);
    struct jl_comparison comparison;
    EXPECT(jl_compare(&a, &b, 0, &comparison));
    EXPECT_INT(comparison.differing, 0);
    EXPECT_TEXT(comparison.relation, "");
    jl_picture_at(&b, 10, 20)[1] ^= 4;
    jl_picture_at(&b, 30, 5)[0] ^= 64;
    jl_picture_at(&b, 31, 6)[2] ^= 1;
    static const struct {
        int tolerance, differing, left, top, right, bottom;
    } rows[] = {
        {0, 3, 10, 5, 31, 20}, {1, 2, 10, 5, 30, 20}, {4, 1, 30, 5, 30, 5}, {64, 0, 0, 0, -1, -1}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("tolerance %d", rows[i].tolerance);
        EXPECT(jl_compare(&a, &b, rows[i].tolerance, &comparison));
        EXPECT_INT(comparison.differing, rows[i].differing);
        EXPECT_INT(comparison.left, rows[i].left);
        EXPECT_INT(comparison.top, rows[i].top);
        EXPECT_INT(comparison.right, rows[i].right);
        EXPECT_INT(comparison.bottom, rows[i].bottom);
        EXPECT_INT(comparison.most, 64);
        EXPECT_TEXT(comparison.relation, "");
        EXPECT_INT(jl_picture_compare(&a, &b, rows[i].tolerance, NULL), rows[i].differing);
    }
    EXPECT(jl_compare(&a, &other, 0, &comparison));
    EXPECT(!comparison.same_size);
    /* One colour fits everything, and noise nothing. */
    for (int p = 0; p < 96 * 64 * 3; p++) {
        a.rgb[p] = 0;
        b.rgb[p] = p < 96 * 3 ? 255 : 0;
    }
    EXPECT(jl_compare(&a, &b, 0, &comparison));
    EXPECT_TEXT(comparison.relation, "");
    struct test_random random = {5};
    for (int p = 0; p < 96 * 64 * 3; p++) {
        a.rgb[p] = (uint8_t)test_random_next(&random);
        b.rgb[p] = (uint8_t)test_random_next(&random);
    }
    EXPECT(jl_compare(&a, &b, 0, &comparison));
    EXPECT_TEXT(comparison.relation, "");
    jl_picture_free(&a);
    jl_picture_free(&b);
    jl_picture_free(&other);
}

static void as_a_command(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " compare a.png a.png", 0, "the same\n"},
        {JADELAMP " compare a.png b.png", 1, "b.png is a.png mirrored left to right\n"},
        {JADELAMP " compare a.png b.png --json", 1, "\"relation\":\t\"mirrored left to right\""},
        {JADELAMP " compare a.png c.png", 1, "a.png has 96 x 64 pixels, c.png 80 x 64"},
        {JADELAMP " compare a.png", 2, "name two pictures"},
        {JADELAMP " compare a.png b.png c.png", 2, "one argument too many"},
        {JADELAMP " compare a.png none.png", 2, "none.png"},
        {JADELAMP " compare a.png b.png --tolerance 300", 2, "expected 0 to 255"},
        {JADELAMP " compare a.png b.png --picture /nowhere/d.png", 2, "/nowhere/d.png"},
        {JADELAMP " compare a.png b.png -o d.png; test -s d.png && rm d.png", 0, "pixels differ"},
    };
    struct jl_picture a = painted(96, 64), b, c = painted(80, 64);
    struct jl_complaint complaint;
    change(&(struct how){"", 'x', 0, 0, 0}, &a, &b);
    shell_begin();
    EXPECT(jl_png_write(shell_path("a.png"), &a, &complaint));
    EXPECT(jl_png_write(shell_path("b.png"), &b, &complaint));
    EXPECT(jl_png_write(shell_path("c.png"), &c, &complaint));
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 3);
    }
    shell_end();
    jl_picture_free(&a);
    jl_picture_free(&b);
    jl_picture_free(&c);
}

const struct test_group test_groups[] = {
    {"relations", relations},
    {"differences", differences},
    {"as_a_command", as_a_command},
    {NULL, NULL},
};
