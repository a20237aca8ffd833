/* Baking animations: played, they are the pictures that went in. */
#include <gd.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "harness.h"
#include "jadelamp/draw.h"
#include "jadelamp/host/bake_frames.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "shell.h"

enum { W = 45, H = 33, MOST = 12 };

static struct jl_complaint complaint;
static struct jl_baked_frames baked;
static char path[64];

/* A boat that goes from left to right, and a lamp that is lit in some pictures. */
static void draw_scene(struct jl_pixmap *pixmap, int number) {
    for (int i = 0; i < W * H; i++) {
        int x = i % W, y = i / W, from = number * 3;
        bool boat = x >= from && x < from + 9 && y >= 20 && y < 25;
        bool lamp = number % 3 == 1 && x >= 38 && x < 42 && y >= 3 && y < 6;
        uint8_t *p = pixmap->rgba + i * 4;
        p[0] = boat ? 250 : lamp ? 255 : 20;
        p[1] = boat ? 130 : lamp ? 255 : (uint8_t)(y * 4);
        p[2] = boat ? 10 : lamp ? 80 : (uint8_t)(90 + x);
        p[3] = 255;
    }
}

static void make_film(struct jl_film *film, int count) {
    film->pictures = calloc(MOST, sizeof *film->pictures);
    film->shown_ms = calloc(MOST, sizeof *film->shown_ms);
    film->count = count;
    for (int i = 0; i < count; i++) {
        EXPECT(jl_pixmap_create(&film->pictures[i], W, H));
        draw_scene(&film->pictures[i], i);
        film->shown_ms[i] = 40 + i;
    }
}

/* What a player's target shows against pictures baked one by one, for more than a round. */
static void played_pictures_are_the_ones_that_went_in(void) {
    static const char *const names[] = {"8-8-8",    "5-6-5",        "3-3-2",          "grey4",
                                        "palette4", "mono-columns", "black-white-red"};
    for (int i = 0; i < 14; i++) {
        struct jl_picture_recipe recipe = {.format = jl_bake_format(names[i / 2]),
                                           .dither = i & 1 ? JL_BAKE_ORDERED : JL_BAKE_NEAREST};
        struct jl_film film, again;
        uint8_t pixels[W * H * 3];
        struct jl_frame frame;
        struct jl_player player;
        test_row("%s, %s", names[i / 2], i & 1 ? "ordered" : "nearest");
        make_film(&film, MOST);
        make_film(&again, MOST);
        if (!EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint))) {
            printf("    %s\n", complaint.text);
            continue;
        }
        EXPECT_INT(baked.animation.step_count, MOST);
        EXPECT_INT(baked.steps[0].part_count, 1);
        EXPECT(baked.pixel_bytes < baked.plain_bytes);
        EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, W, H, pixels, sizeof pixels), JL_OK);
        jl_player_begin(&player, &baked.animation, 1000, false);
        uint32_t now = 1000;
        recipe.palette = baked.palette_count ? baked.palette : NULL;
        for (int step = 0; step < MOST * 2 + 3; step++) {
            struct jl_pixmap one;
            struct jl_baked_picture whole;
            struct jl_picture seen;
            EXPECT(jl_pixmap_create(&one, W, H));
            draw_scene(&one, step % MOST);
            EXPECT(jl_bake_pixmap(&one, &recipe, &whole, &complaint));
            EXPECT(jl_baked_preview(&whole, JL_BLACK, &seen));
            EXPECT_INT((int)jl_player_left(&player, now), 0);
            EXPECT(jl_player_poll(&player, &frame.target, 0, 0, now));
            EXPECT_INT((int)jl_player_left(&player, now), 40 + step % MOST);
            EXPECT(memcmp(pixels, seen.rgb, sizeof pixels) == 0);
            now += (uint32_t)(40 + step % MOST);
            jl_picture_free(&seen);
            jl_baked_picture_free(&whole);
            jl_pixmap_free(&one);
        }
        jl_baked_frames_free(&baked);
        jl_film_free(&film);
        jl_film_free(&again);
    }
}

/* Only what changed is stored: the boat's two edges, and the lamp. */
static void parts_are_what_changed(void) {
    struct jl_picture_recipe recipe = {.format = &jl_rgb888, .plain = true};
    struct jl_film film;
    make_film(&film, 3);
    EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint));
    /* From 0 to 1 the boat moves by three: columns 0..2 and 9..11 of rows 20..24; the lamp. */
    long area = 0;
    const struct jl_animation_step *step = &baked.steps[1];
    EXPECT_INT(step->part_count, 3); /* edges of 62 bytes each are cheaper than 130 for both */
    for (int i = 0; i < step->part_count; i++) {
        const struct jl_animation_part *part = &step->parts[i];
        bool boat = part->y == 20 && part->image.height == 5;
        bool lamp =
            part->x == 38 && part->y == 3 && part->image.width == 4 && part->image.height == 3;
        EXPECT(boat || lamp);
        area += part->image.width * part->image.height;
    }
    EXPECT(area <= 12 * 5 + 4 * 3);
    EXPECT_INT((long long)baked.plain_bytes, 3 * W * H * 3);
    jl_baked_frames_free(&baked);
    jl_film_free(&film);

    /* With one bit a pixel the edges are cheaper as one: 43 bytes, and 80 apart. */
    recipe.format = &jl_mono_columns;
    make_film(&film, 3);
    EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint));
    EXPECT_INT(baked.steps[1].part_count, 2);
    jl_baked_frames_free(&baked);
    jl_film_free(&film);
    recipe.format = &jl_rgb888;

    /* Pictures that are all the same have no parts. */
    make_film(&film, 1);
    film.count = 2;
    EXPECT(jl_pixmap_create(&film.pictures[1], W, H));
    draw_scene(&film.pictures[1], 0);
    EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint));
    EXPECT_INT(baked.part_count, 1);
    EXPECT_INT(baked.animation.again.part_count, 0);
    EXPECT_INT(baked.steps[1].shown_ms, 1); /* a time of none is one */
    jl_baked_frames_free(&baked);
    jl_film_free(&film);
}

/* The player's clock: on time, late, far too late, round 2^32, and once only. */
static void players_clock(void) {
    static const struct {
        bool once;
        uint32_t begin, polls[6];
        int drawn[6]; /* 1: something */
        uint32_t left[6];
    } rows[] = {
        {false, 0, {0, 10, 39, 40, 81, 123}, {1, 0, 0, 1, 1, 1}, {40, 30, 1, 41, 42, 40}},
        {false,
         0xFFFFFFF0u,
         {0xFFFFFFF0u, 0xFFFFFFFFu, 23, 24, 65, 66},
         {1, 0, 0, 1, 1, 0},
         {40, 25, 1, 41, 42, 41}},
        {true,
         5,
         {5, 45, 86, 128, 129, 900},
         {1, 1, 1, 0, 0, 0},
         {40, 41, UINT32_MAX, UINT32_MAX, UINT32_MAX, UINT32_MAX}},
        {false, 0, {0, 100, 100, 122, 123, 124}, {1, 1, 0, 0, 1, 0}, {40, 23, 23, 1, 40, 39}},
        {false,
         0,
         {1000000, 1000001, 1000002, 1000042, 0, 0},
         {1, 1, 0, 1, 0, 0},
         {1, 0, 0, 0, 0, 0}},
    };
    struct jl_picture_recipe recipe = {.format = &jl_rgb565};
    struct jl_film film;
    make_film(&film, 3); /* 40, 41, 42 ms */
    EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint));
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t pixels[W * H * 3];
        struct jl_frame frame;
        struct jl_player player;
        EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, W, H, pixels, sizeof pixels), JL_OK);
        jl_player_begin(&player, &baked.animation, rows[i].begin, rows[i].once);
        for (int k = 0; k < (i == 4 ? 1 : 6); k++) {
            test_row("row %d, poll %d", (int)i, k);
            EXPECT_INT(jl_player_poll(&player, &frame.target, 0, 0, rows[i].polls[k]),
                       rows[i].drawn[k]);
            EXPECT_INT(jl_player_left(&player, rows[i].polls[k]), rows[i].left[k]);
        }
    }
    jl_baked_frames_free(&baked);
    jl_film_free(&film);
}

/* ---- GIF ---- */

static void put_bytes(const void *bytes, size_t count) {
    snprintf(path, sizeof path, "film-%ld", (long)getpid());
    EXPECT(jl_file_put(path, bytes, count, &complaint));
}

/* Three images on a screen of 8 x 4: a whole one, two small ones; by disposal of the second. */
static size_t make_gif(uint8_t *out, size_t most, int disposal) {
    gdImagePtr images[3];
    FILE *stream = tmpfile();
    for (int i = 0; i < 3; i++) {
        images[i] = gdImageCreate(i ? 2 : 8, i ? 2 : 4);
        for (int c = 0; c < 4; c++) {
            gdImageColorAllocate(images[i], c * 60, 255 - c * 60, c == i ? 200 : 10);
        }
        gdImageFilledRectangle(images[i], 0, 0, 7, 3, i + 1);
    }
    gdImageGifAnimBegin(images[0], stream, 1, 0);
    gdImageGifAnimAdd(images[0], stream, 1, 0, 0, 5, gdDisposalNone, NULL);
    gdImageGifAnimAdd(images[1], stream, 1, 1, 1, 7, disposal, NULL);
    gdImageGifAnimAdd(images[2], stream, 1, 5, 2, 0, gdDisposalNone, NULL);
    gdImageGifAnimEnd(stream);
    rewind(stream);
    size_t size = fread(out, 1, most, stream);
    fclose(stream);
    for (int i = 0; i < 3; i++) {
        gdImageDestroy(images[i]);
    }
    return size;
}

static void animated_gifs(void) {
    static const int disposals[] = {gdDisposalNone, gdDisposalRestoreBackground,
                                    gdDisposalRestorePrevious};
    for (int i = 0; i < 3; i++) {
        uint8_t gif[4000];
        struct jl_film film;
        const char *names[] = {path};
        test_row("disposal %d", disposals[i]);
        put_bytes(gif, make_gif(gif, sizeof gif, disposals[i]));
        if (!EXPECT(jl_film_read(names, 1, 70, &film, &complaint))) {
            printf("    %s\n", complaint.text);
            continue;
        }
        EXPECT_INT(film.count, 3);
        EXPECT_INT(film.shown_ms[0], 50);
        EXPECT_INT(film.shown_ms[1], 70);
        EXPECT_INT(film.shown_ms[2], 70); /* it says none: the usual */
        for (int k = 0; k < 3; k++) {
            EXPECT_INT(film.pictures[k].width, 8);
            for (int p = 0; p < 32; p++) {
                int x = p % 8, y = p / 8;
                bool second = x >= 1 && x < 3 && y >= 1 && y < 3;
                bool third = x >= 5 && x < 7 && y >= 2;
                /* Red is 60 by the image's number; a cleared area is nothing. */
                int red = k == 2 && third              ? 180
                          : k >= 1 && second && k == 1 ? 120
                          : k == 2 && second           ? (i == 0   ? 120
                                                          : i == 1 ? -1
                                                                   : 60)
                                                       : 60;
                const uint8_t *pixel = film.pictures[k].rgba + p * 4;
                EXPECT_INT(pixel[3], red < 0 ? 0 : 255);
                EXPECT_INT(red < 0 ? -1 : pixel[0], red);
            }
        }
        jl_film_free(&film);
    }
    remove(path);
}

static void bad_films(void) {
    uint8_t gif[4000], damaged[4000];
    size_t size = make_gif(gif, sizeof gif, gdDisposalNone);
    struct test_random random = {11};
    struct jl_film film;
    const char *names[] = {path, path};
    for (int turn = 0; turn < 300; turn++) {
        size_t count = turn % 2 ? size : (size_t)test_random_between(&random, 7, (int)size);
        memcpy(damaged, gif, sizeof gif);
        for (int k = test_random_between(&random, 0, 4); k; k--) {
            damaged[test_random_between(&random, 6, (int)size - 1)] =
                (uint8_t)test_random_next(&random);
        }
        put_bytes(damaged, count);
        test_row("turn %d", turn);
        bool good = jl_film_read(names, 1, 100, &film, &complaint);
        EXPECT(good == (film.pictures != NULL));
        jl_film_free(&film);
    }
    /* An image that claims a gigapixel beside a small screen. */
    memcpy(damaged, gif, sizeof gif);
    for (size_t i = 0; i + 9 < size; i++) {
        if (damaged[i] == 0x2C && damaged[i + 5] == 2) {
            memset(damaged + i + 5, 0xFF, 4);
            break;
        }
    }
    put_bytes(damaged, size);
    EXPECT(!jl_film_read(names, 1, 100, &film, &complaint));
    EXPECT_CONTAINS(complaint.text, "outside its screen");
    EXPECT(!jl_film_read(names, 0, 100, &film, &complaint));
    EXPECT_CONTAINS(complaint.text, "0 files: expected 1 to 500");
    put_bytes("GIF89a", 6);
    EXPECT(!jl_film_read(names, 1, 100, &film, &complaint));
    remove(path);
}

/* ---- the command ---- */

static int run(const char *line) {
    char folder[40];
    snprintf(folder, sizeof folder, "film-folder-%ld", (long)getpid());
    return shell_run(folder, line);
}

static void the_command(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " bake frames", 2, "name a GIF or pictures"},
        {JADELAMP " bake frames 0.png", 2, "say --format NAME"},
        {JADELAMP " bake frames 0.png -f 5-6-5 --time 0", 2, "expected 1 to 65535 ms"},
        {JADELAMP " bake frames 0.png small.png -f 5-6-5", 2,
         "small.png: 4 x 4, and the first one"},
        {JADELAMP " bake frames none.gif -f 5-6-5", 2, "cannot read the picture none.gif"},
        {"ls | wc -l", 0, "4"},
        {JADELAMP " bake frames 0.png 1.png 2.png -f 5-6-5 -n boat", 0, "3 pictures of 45 x 33"},
        {JADELAMP " bake frames 0.png 1.png 2.png -c ssd1306-128x64-i2c -n boat", 0,
         "pictures a second"},
        {"printf '#include \"boat.h\"\\n#include \"jadelamp/frame.h\"\\n"
         "static uint8_t px[128*64*3];int main(void){struct jl_frame f;struct jl_player p;\\n"
         "if(jl_frame_init(&f,&jl_rgb888,128,64,px,sizeof px)!=JL_OK)return 1;\\n"
         "jl_player_begin(&p,&boat,0,true);return jl_player_poll(&p,&f.target,0,0,0)&&"
         "jl_player_left(&p,0)==100?0:2;}\\n' > m.c && " CC " -std=c11 -Wall -Wextra -Wpedantic "
         "-Wconversion -Werror -I" INCLUDE_DIR " m.c boat.c " LIBRARY " " SANITIZER_FLAGS
         " -o m && ./m && echo played",
         0, "played"},
        {JADELAMP " bake frames 0.png 1.png 2.png -c ssd1306-128x64-i2c -n boat --json", 0,
         "\"pictures_a_second\""},
        {JADELAMP " bake frames 0.png 1.png -c hd44780-8x1-4bit", 2, "shows no pictures"},
    };
    char line[100];
    snprintf(line, sizeof line, "mkdir -p film-folder-%ld", (long)getpid());
    EXPECT_INT(system(line), 0);
    for (int i = 0; i < 4; i++) {
        struct jl_picture picture;
        struct jl_pixmap pixmap;
        EXPECT(jl_pixmap_create(&pixmap, W, H));
        draw_scene(&pixmap, i);
        EXPECT(jl_picture_create(&picture, i == 3 ? 4 : W, i == 3 ? 4 : H));
        for (int k = 0; k < picture.width * picture.height; k++) {
            memcpy(picture.rgb + k * 3, pixmap.rgba + k * 4, 3);
        }
        snprintf(line, sizeof line, "film-folder-%ld/%s.png", (long)getpid(),
                 i == 0   ? "0"
                 : i == 1 ? "1"
                 : i == 2 ? "2"
                          : "small");
        EXPECT(jl_png_write(line, &picture, &complaint));
        jl_picture_free(&picture);
        jl_pixmap_free(&pixmap);
    }
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(run(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    snprintf(line, sizeof line, "rm -rf film-folder-%ld", (long)getpid());
    EXPECT_INT(system(line), 0);
}

const struct test_group test_groups[] = {
    {"played_pictures", played_pictures_are_the_ones_that_went_in},
    {"parts_are_what_changed", parts_are_what_changed},
    {"players_clock", players_clock},
    {"animated_gifs", animated_gifs},
    {"bad_films", bad_films},
    {"the_command", the_command},
    {NULL, NULL},
};
