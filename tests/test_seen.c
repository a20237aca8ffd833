/* Photographs that are made up, of known mistakes: is the mistake found? */
#include "harness.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/png.h"
#include "jadelamp/host/seen.h"
#include "shell.h"

static struct jl_card card;
static struct jl_suspects suspects;

static void draw(const char *name) {
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find(name, &card, &complaint) && jl_suspects_draw(&card, &suspects, &complaint));
}

static double between(struct test_random *random, double least, double most) {
    return least + (most - least) * (test_random_next(random) % 10001) / 10000.0;
}

/* Where a point of the photo is on the glass, as a camera held by hand sees it. */
struct camera {
    double a, b, c, d, e, f, g, h;
};

static struct camera hold(struct test_random *random, const struct jl_picture *glass, int width,
                          int height) {
    double zoom = between(random, 1.15, 1.5), angle = between(random, -0.14, 0.14);
    double sx = zoom * glass->width / width, sy = zoom * glass->height / height;
    struct camera camera = {.a = sx * cos(angle),
                            .b = -sx * sin(angle),
                            .d = sy * sin(angle),
                            .e = sy * cos(angle),
                            .g = between(random, -0.12, 0.12) / width,
                            .h = between(random, -0.12, 0.12) / height};
    /* The middle of the photo looks at the middle of the glass, or nearly. */
    double w = camera.g * width / 2 + camera.h * height / 2 + 1;
    camera.c = glass->width * between(random, 0.47, 0.53) * w - camera.a * width / 2 -
               camera.b * height / 2;
    camera.f = glass->height * between(random, 0.47, 0.53) * w - camera.d * width / 2 -
               camera.e * height / 2;
    return camera;
}

/* A dark desk, and one point of the glass in front of it. */
static void sample(const struct camera *m, const struct jl_picture *glass, double x, double y,
                   double rgb[3]) {
    double w = m->g * x + m->h * y + 1;
    double u = (m->a * x + m->b * y + m->c) / w, v = (m->d * x + m->e * y + m->f) / w;
    bool inside = u >= 0 && v >= 0 && u < glass->width && v < glass->height;
    const uint8_t *pixel = inside ? jl_picture_at(glass, (int)u, (int)v) : NULL;
    for (int i = 0; i < 3; i++) {
        rgb[i] += pixel ? pixel[i] : 14;
    }
}

/* Perspective, the grid of pixels against the grid of dots, blur, tint, glare, noise. */
static void photograph(struct test_random *random, const struct jl_picture *glass,
                       struct jl_picture *photo) {
    int width = test_random_between(random, 320, 520);
    int height = width * glass->height / glass->width;
    EXPECT(jl_picture_create(photo, width, height));
    struct camera camera = hold(random, glass, width, height);
    double blur = between(random, 0.3, 1.6), noise = between(random, 0, 14);
    double tint[3], spot_x = between(random, 0, width), spot_y = between(random, 0, height);
    double glare = between(random, 0, 50), spot = width * between(random, 0.05, 0.2);
    for (int i = 0; i < 3; i++) {
        tint[i] = between(random, 0.7, 1.05);
    }
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            double rgb[3] = {0};
            for (int k = 0; k < 5; k++) { /* as the five of a die */
                double dx = k == 4  ? 0
                            : k % 2 ? blur
                                    : -blur,
                       dy = k == 4  ? 0
                            : k / 2 ? blur
                                    : -blur;
                sample(&camera, glass, x + 0.5 + dx, y + 0.5 + dy, rgb);
            }
            double far = hypot(x - spot_x, y - spot_y) / spot;
            for (int i = 0; i < 3; i++) {
                double value =
                    rgb[i] / 5 * tint[i] + glare * exp(-far * far) + between(random, -noise, noise);
                jl_picture_at(photo, x, y)[i] = (uint8_t)(value < 0     ? 0
                                                          : value > 255 ? 255
                                                                        : value);
            }
        }
    }
}

/* A mono OLED, its relative, a grey OLED, an IPS TFT. */
static const char *const cards[] = {"ssd1306-128x64-i2c", "sh1106-128x64-spi",
                                    "ssd1327-128x128-spi", "st7735-128x160-spi"};

static int place_of(const struct jl_seen *seen, int suspect) {
    for (int i = 0; i < seen->count; i++) {
        if (seen->best[i].suspect == suspect) {
            return i;
        }
    }
    return JL_SEEN_BEST;
}

static void finds_the_mistake(void) {
    struct test_random random = {20};
    int photos = 0, first = 0, among_three = 0, sure = 0, sure_and_wrong = 0;
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        draw(cards[i]);
        for (int k = -1; k < suspects.count; k++) {
            for (int again = 0;
                 again < test_cases(test_turn(k + 1) ? 12 : 0) && (k < 0 || !suspects.dark[k]);
                 again++) {
                struct jl_picture photo;
                struct jl_seen seen;
                struct jl_complaint complaint = {""};
                photograph(&random, k < 0 ? &suspects.right : &suspects.photos[k], &photo);
                const struct jl_seen_request request = {.photo = &photo};
                bool good = jl_suspects_compare(&suspects, &request, &seen, &complaint);
                int place = good ? place_of(&seen, k) : JL_SEEN_BEST;
                photos++;
                first += place == 0;
                among_three += place < JL_SEEN_BEST;
                sure += good && seen.is_sure;
                sure_and_wrong += good && seen.is_sure && place != 0;
                if (place == JL_SEEN_BEST && getenv("JADELAMP_SAY")) {
                    printf("  %s %s: %s\n", cards[i], k < 0 ? "right" : suspects.list[k].name,
                           !good                      ? complaint.text
                           : seen.best[0].suspect < 0 ? "right"
                                                      : suspects.list[seen.best[0].suspect].name);
                }
                jl_picture_free(&photo);
            }
        }
        jl_suspects_free(&suspects);
    }
    printf("%d photographs: the first in %.1f %%, among three in %.1f %%, sure of %.1f %%, of "
           "which wrong %d\n",
           photos, 100.0 * first / photos, 100.0 * among_three / photos, 100.0 * sure / photos,
           sure_and_wrong);
    EXPECT(photos >= 15); /* 500 and more where all are tried */
    EXPECT(among_three * 100 >= photos * 95);
    EXPECT_INT(sure_and_wrong, 0);
}

/* ---- corners, and what is no photo of a glass ---- */

/* The photo of first light, in a larger picture with a bright thing beside it. */
static void takes_corners(void) {
    shell_begin();
    draw("st7735-128x160-spi");
    const struct jl_picture *tile = &suspects.right;
    struct jl_picture desk;
    struct jl_complaint complaint = {""};
    EXPECT(jl_picture_create(&desk, tile->width + 200, tile->height + 60));
    memset(desk.rgb, 230, (size_t)(desk.width * desk.height * 3));
    for (int y = 0; y < tile->height; y++) {
        memcpy(jl_picture_at(&desk, 150, 40 + y), jl_picture_at(tile, 0, y),
               (size_t)tile->width * 3);
    }
    EXPECT(jl_png_write(shell_path("desk.png"), &desk, &complaint));
    int left = 150 + suspects.bezel, top = 40 + suspects.bezel;
    int right = 150 + tile->width - suspects.bezel, bottom = 40 + tile->height - suspects.bezel;
    char line[400];
    snprintf(line, sizeof line,
             JADELAMP " suspects st7735-128x160-spi --seen desk.png --corners '%d,%d %d,%d %d,%d "
                      "%d,%d' --into out",
             left, top, right, top, right, bottom, left, bottom);
    EXPECT_INT(shell(line), 0);
    EXPECT_CONTAINS(output, "  100 %  as it should be");
    /* The other way round it is the one that is turned by half. */
    snprintf(line, sizeof line,
             JADELAMP " suspects st7735-128x160-spi --seen desk.png --corners '%d,%d %d,%d %d,%d "
                      "%d,%d' --json --into out",
             right, bottom, left, bottom, left, top, right, top);
    EXPECT_INT(shell(line), 0);
    EXPECT_CONTAINS(output, "\"best\":\t[{\n\t\t\t\t\"name\":\t\"upside-down\"");
    jl_picture_free(&desk);
    jl_suspects_free(&suspects);
    shell_end();
}

/* Each picture is most like itself, or like one that looks the same. */
static void compares_modules(void) {
    draw("hd44780-20x4-expander");
    const double b = suspects.bezel, w = suspects.right.width, h = suspects.right.height;
    for (int k = 0; k < suspects.count; k++) {
        const struct jl_seen_request request = {
            .photo = &suspects.photos[k],
            .has_corners = true,
            .corners = {{b, b}, {w - b, b}, {w - b, h - b}, {b, h - b}}};
        struct jl_seen seen;
        struct jl_complaint complaint = {""};
        test_row("%s", suspects.list[k].name);
        EXPECT(jl_suspects_compare(&suspects, &request, &seen, &complaint));
        if (!suspects.dark[k]) {
            EXPECT(seen.fits && seen.best[0].likeness > 0.999);
            EXPECT(!seen.is_sure || seen.best[0].suspect == k);
        }
    }
    jl_suspects_free(&suspects);
}

static const struct {
    const char *options, *says;
    int status;
} others[] = {
    {"--seen none.png", "none.png", 2},
    {"--seen text.png", "text.png", 2},
    {"--seen black.png", "nothing is lit in the picture", 2},
    {"--seen dot.png", "no glass in the picture", 2},
    {"--seen stripes.png --into out", "none of them fits", 0},
    {"--corners '0,0 9,0 9,9 0,9'", "name it with --seen", 2},
    {"--seen black.png --corners '0,0 9,0 9,9'", "expected x,y of top left", 2},
    {"--seen black.png --corners '0,0 9,0 9,9 0,9 7'", "expected x,y of top left", 2},
    {"--seen stripes.png --corners '5,5 5,5 5,5 5,5'", "no glass in the picture", 2},
    {"--seen stripes.png --corners '1e300,0 0,-1e300 nan,99 0,inf' --into out",
     "they do not go round a glass", 2},
    {"--seen stripes.png --corners '0,0 90,60 90,0 0,60'", "they do not go round a glass", 2},
    {"--seen stripes.png --corners '0,0 90,0 10,10 0,60'", "they do not go round a glass", 2},
};

static void put_picture(const char *name, int (*light)(int x, int y)) {
    struct jl_picture picture;
    struct jl_complaint complaint = {""};
    EXPECT(jl_picture_create(&picture, 200, 120));
    for (int y = 0; y < 120; y++) {
        for (int x = 0; x < 200; x++) {
            memset(jl_picture_at(&picture, x, y), light(x, y), 3);
        }
    }
    EXPECT(jl_png_write(shell_path(name), &picture, &complaint));
    jl_picture_free(&picture);
}

static int black(int x, int y) {
    (void)x;
    (void)y;
    return 6;
}

static int dot(int x, int y) {
    return x >= 90 && x < 105 && y >= 50 && y < 65 ? 255 : 0;
}

static int stripes(int x, int y) {
    return (x + y) / 20 % 2 ? 255 : 0;
}

static void refuses_what_is_no_glass(void) {
    shell_begin();
    put_picture("black.png", black);
    put_picture("dot.png", dot);
    put_picture("stripes.png", stripes);
    EXPECT_INT(shell("echo no picture > text.png"), 0);
    for (size_t i = 0; i < sizeof others / sizeof others[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " suspects ssd1306-128x64-i2c %s", others[i].options);
        int status = shell(line);
        EXPECT(others[i].status >= 0 ? status == others[i].status : status == 0 || status == 2);
        EXPECT_CONTAINS(output, others[i].says);
        EXPECT(!shell_has("ssd1306-128x64-i2c-suspects-1.png"));
    }
    EXPECT_INT(shell(JADELAMP " suspects hd44780-16x2-4bit --seen stripes.png"), 2);
    EXPECT_CONTAINS(output, "a character module has no lit border to find: say where its corners");
    shell_end();
}

const struct test_group test_groups[] = {
    {"finds_the_mistake", finds_the_mistake},
    {"takes_corners", takes_corners},
    {"compares_modules", compares_modules},
    {"refuses_what_is_no_glass", refuses_what_is_no_glass},
    {NULL, NULL},
};
