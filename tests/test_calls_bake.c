/* The calls that make fonts, pictures, pages and C of them, each in a line or two as a program of
 * one's own would have it. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/host/animation.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/bake_frames.h"
#include "jadelamp/host/bake_picture.h"
#include "jadelamp/host/bundle.h"
#include "jadelamp/host/card.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/glyph_art.h"
#include "jadelamp/host/page.h"
#include "jadelamp/host/pixmap.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/screen_sheet.h"
#include "shell.h"

static struct jl_complaint complaint;

static void begin(void) {
    shell_begin();
    complaint.text[0] = '\0';
}

static void end(void) {
    EXPECT_TEXT(complaint.text, "");
    shell_end();
}

static const char *contents(const char *name) {
    static char text[65536];
    FILE *file = fopen(shell_path(name), "r");
    size_t count = file ? fread(text, 1, sizeof text - 1, file) : 0;
    text[count] = '\0';
    if (file) {
        fclose(file);
    }
    return text;
}

/* ---- fonts ---- */

static void fonts_from_art_and_subsets(void) {
    static struct jl_code_set wanted;
    static struct jl_baked_font baked;
    struct jl_picture specimen = {0};
    begin();
    EXPECT(jl_bake_art_font(FONTS "/icons-12.txt", 0, &baked, &complaint) && baked.glyphs > 5);
    EXPECT(jl_baked_font_specimen(&baked, &specimen) && specimen.width > 12);
    jl_picture_free(&specimen);
    EXPECT(jl_baked_font_write(&baked, shell_path("."), "quay_icons", "a test", &complaint));
    EXPECT_CONTAINS(contents("quay_icons.h"), "extern const struct jl_font quay_icons;");
    FILE *out = tmpfile();
    EXPECT(jl_print_baked_font(shell_path("quay_icons.c"), out, &complaint) && ftell(out) > 100);
    fclose(out);
    jl_baked_font_free(&baked);

    /* Of the library's own: two of its characters, and one that it lacks. */
    jl_code_set_add(&wanted, 'A');
    jl_code_set_add(&wanted, '7');
    jl_code_set_add(&wanted, 0x4E00);
    EXPECT(jl_code_set_has(&wanted, 'A') && !jl_code_set_has(&wanted, 'B'));
    EXPECT(jl_bake_subset(&jl_font_sans16, &wanted, &baked, &complaint));
    EXPECT(baked.glyphs == 2 && baked.missing_count == 1 && baked.missing[0] == 0x4E00);
    jl_baked_font_free(&baked);
    end();
}

static void glyphs_of_modules(void) {
    static struct jl_glyph_art art;
    begin();
    EXPECT(jl_glyph_art_read(ART "/lock_glyphs.txt", &art, &complaint) && art.count >= 1);
    EXPECT(jl_glyph_art_bake(&art, shell_path("."), "gate_glyphs", "a test", &complaint));
    EXPECT_CONTAINS(contents("gate_glyphs.h"), "gate_glyphs");
    end();
}

/* ---- pictures ---- */

static void formats_by_name(void) {
    EXPECT(jl_bake_format("5-6-5") == &jl_rgb565);
    EXPECT_TEXT(jl_bake_format_constant(&jl_rgb565), "jl_rgb565");
    EXPECT(jl_bake_format(jl_bake_format_name(&jl_rgb565)) == &jl_rgb565);
    EXPECT(jl_bake_format_order(&jl_rgb565) && strlen(jl_bake_format_list()) > 10);
    EXPECT(!jl_bake_format("none"));
}

static void pictures_turned_and_scaled(void) {
    struct jl_pixmap pixmap = {0};
    uint32_t palette[2];
    struct jl_picture picture = {0}, turned = {0}, damage = {0};
    begin();
    EXPECT(jl_pixmap_create(&pixmap, 8, 4));
    for (int i = 0; i < 8 * 4; i++) { /* the left half red, the right one blue */
        memcpy(&pixmap.rgba[i * 4], i % 8 < 4 ? "\xFF\x00\x00\xFF" : "\x00\x00\xFF\xFF", 4);
    }
    EXPECT_INT(jl_pixmap_palette(&pixmap, 2, palette), 2);
    EXPECT(palette[0] + palette[1] == 0xFF0000 + 0x0000FF);
    EXPECT(jl_pixmap_scale(&pixmap, 16, 8) && pixmap.width == 16 && pixmap.rgba[0] > 0xF0);
    jl_pixmap_free(&pixmap);

    struct jl_frame frame;
    struct jl_damage list;
    static uint8_t bytes[JL_MONO_COLUMNS_BYTES(16, 8)];
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 16, 8, bytes, sizeof bytes), JL_OK);
    jl_frame_track(&frame, &list);
    jl_damage_clear(&list);
    jl_draw_pixel(&frame.target, 15, 0, JL_WHITE); /* at the top right */
    EXPECT(jl_frame_picture(&frame, &picture) && jl_picture_turn(&picture, 1, &turned));
    EXPECT(turned.width == 8 && turned.height == 16 && *jl_picture_at(&turned, 7, 15) == 0xFF);
    EXPECT(jl_damage_picture(&frame, 4, &damage) && damage.width == 64);
    jl_picture_free(&damage);

    const struct jl_picture two[2] = {turned, turned};
    const uint32_t shown_ms[2] = {100, 200};
    EXPECT(jl_animation_write(shell_path("two.png"), two, shown_ms, 2, &complaint));
    EXPECT(shell_has("two.png"));
    jl_picture_free(&picture);
    jl_picture_free(&turned);
    end();
}

static void films(void) {
    static struct jl_baked_frames baked;
    struct jl_film film = {NULL, NULL, 0};
    struct jl_picture frames[2] = {{0}, {0}}, preview = {0};
    struct jl_picture_recipe recipe = {.format = &jl_rgb565};
    struct jl_frames_cost cost;
    char first[1024], second[1024];
    const char *const paths[] = {first, second};
    begin();
    snprintf(first, sizeof first, "%s", shell_path("0.png"));
    snprintf(second, sizeof second, "%s", shell_path("1.png"));
    for (int i = 0; i < 2; i++) { /* a lamp that moves by four columns */
        EXPECT(jl_picture_create(&frames[i], 24, 16));
        *jl_picture_at(&frames[i], 4 + 4 * i, 8) = 0xFF; /* red */
        EXPECT(jl_png_write(paths[i], &frames[i], &complaint));
        jl_picture_free(&frames[i]);
    }
    EXPECT(jl_film_read(paths, 2, 80, &film, &complaint) && film.count == 2);
    EXPECT(jl_bake_frames(&film, &recipe, &baked, &complaint));
    EXPECT(jl_baked_frames_preview(&baked, &preview) && preview.width >= 2 * 24);
    jl_picture_free(&preview);
    EXPECT(jl_baked_frames_cost(&baked, "st7789-240x240-spi", &cost, &complaint) && cost.bytes > 0);
    EXPECT(jl_baked_frames_write(&baked, shell_path("."), "lamp", "a test", &complaint));
    EXPECT_CONTAINS(contents("lamp.h"), "extern const struct jl_animation lamp;");
    jl_baked_frames_free(&baked);
    jl_film_free(&film);
    end();
}

/* ---- what is written as text ---- */

static void pages_of_html(void) {
    struct jl_file file = {0};
    struct jl_picture dot = {0};
    begin();
    EXPECT(jl_picture_create(&dot, 1, 1) && jl_png_write(shell_path("dot.png"), &dot, &complaint));
    EXPECT(jl_file_begin(&file, shell_path("page.html"), &complaint));
    jl_page_put(&file, "<p>");
    jl_page_text(&file, "gate < quay & \"lamp\"");
    EXPECT(jl_page_file(&file, shell_path("dot.png"), "image/png", &complaint));
    EXPECT(jl_page_picture(&file, &dot, shell_path("scratch.png"), &complaint));
    EXPECT(jl_file_commit(&file, &complaint));
    EXPECT_CONTAINS(contents("page.html"), "<p>gate &lt; quay &amp; ");
    EXPECT_CONTAINS(contents("page.html"),
                    "data:image/png;base64,iVBORw0KGgo"); /* a PNG's first bytes */
    EXPECT_INT(shell_files(), 2);                         /* no scratch is left */
    jl_picture_free(&dot);
    end();
}

static void bundles_of_a_card(void) {
    struct jl_card card;
    struct jl_bundle_told told;
    begin();
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    struct jl_bundle bundle = {.cards = &card,
                               .card_count = 1,
                               .names = {"jl_font_6x8"},
                               .name_count = 1,
                               .made = "a test"};
    EXPECT(jl_bundle_write(&bundle, shell_path("."), &told, &complaint));
    EXPECT(told.files > 10 && strlen(contents("jadelamp.h")) > 0);
    EXPECT_INT(shell_files(), 2);
    EXPECT(strstr(contents("jadelamp.h"), "made by a test."));
    bundle.made = NULL;
    EXPECT(jl_bundle_write(&bundle, shell_path("."), &told, &complaint));
    EXPECT(strstr(contents("jadelamp.h"), "made by jadelamp bundle."));
    bundle.names[0] = "jl_no_such_font";
    EXPECT(!jl_bundle_write(&bundle, shell_path("."), &told, &complaint));
    EXPECT_CONTAINS(complaint.text, "jl_no_such_font");
    complaint.text[0] = '\0';
    end();
}

static void screens_measured(void) {
    struct jl_card card;
    static struct jl_screen_state state;
    char text[32];
    size_t flash = 0;
    begin();
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    struct jl_screen_glass glass = jl_screen_glass_of(&card);
    EXPECT(glass.width == 128 && glass.height == 64 && glass.colors == JL_SCREEN_MONO);
    struct jl_screen *screen = jl_screen_read(SCREENS "/quay-gauge.screen", &glass, &complaint);
    jl_screen_sample(screen, 0, &state);
    for (int i = 0; i < jl_screen_value_count(screen); i++) {
        struct jl_screen_value value = jl_screen_value(screen, i);
        jl_screen_value_text(screen, i, &state, text, sizeof text);
        test_row("%s", value.name);
        EXPECT((text[0] != '\0') == (value.kind != JL_SCREEN_SERIES));
    }
    jl_screen_free(screen);
    FILE *source = fopen(shell_path("own.c"), "w");
    fputs("int own(int a);\nint own(int a) { return a * 3; }\n", source);
    fclose(source);
    EXPECT(jl_screen_measure(shell_path("."), "own", CC, &flash, &complaint) && flash > 0);
    end();
}

const struct test_group test_groups[] = {
    {"fonts_from_art_and_subsets", fonts_from_art_and_subsets},
    {"glyphs_of_modules", glyphs_of_modules},
    {"formats_by_name", formats_by_name},
    {"pictures_turned_and_scaled", pictures_turned_and_scaled},
    {"films", films},
    {"pages_of_html", pages_of_html},
    {"bundles_of_a_card", bundles_of_a_card},
    {"screens_measured", screens_measured},
    {NULL, NULL},
};
