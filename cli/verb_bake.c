/* jadelamp bake WHAT FILE */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/bake_frames.h"
#include "jadelamp/host/bake_picture.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/glyph_art.h"
#include "jadelamp/host/png.h"

/* The file's name without folder and ending, '-' made '_'. */
static void default_name(const char *path, char *name, size_t size) {
    const char *slash = strrchr(path, '/');
    snprintf(name, size, "%s", slash ? slash + 1 : path);
    char *dot = strrchr(name, '.');
    if (dot && dot != name) {
        *dot = '\0';
    }
    for (char *c = name; *c; c++) {
        *c = *c == '-' || *c == ' ' ? '_' : *c;
    }
}

static void print_art(const struct jl_glyph_art *art) {
    for (int y = 0; y < 8; y++) {
        for (int i = 0; i < art->count; i++) {
            printf("  ");
            for (int x = 4; x >= 0; x--) {
                printf("%s", art->glyphs[i].rows[y] >> x & 1 ? "\u2588\u2588" : "\u00B7\u00B7");
            }
        }
        putchar('\n');
    }
    for (int i = 0; i < art->count; i++) {
        printf("  %d: U+%04X  ", i, (unsigned)art->glyphs[i].code);
    }
    putchar('\n');
}

/* The command as typed, for the baked files. */
static void write_down(int argc, const char **argv, char *made, size_t size) {
    snprintf(made, size, "jadelamp");
    for (int i = 0; i < argc; i++) {
        size_t length = strlen(made);
        snprintf(made + length, size - length, " %s", argv[i]);
    }
}

/* The name that was given, or the file's. */
static const char *chosen_name(const char *given, const char *path, char usual[100]) {
    default_name(path, usual, 100);
    return given ? given : usual;
}

static int glyph(const char *verb, const char *path, const char *directory, const char *given) {
    char usual[100];
    struct jl_glyph_art art;
    struct jl_complaint complaint = {""};
    const char *slash = strrchr(path, '/'), *name = chosen_name(given, path, usual);
    if (!jl_glyph_art_read(path, &art, &complaint) ||
        !jl_glyph_art_bake(&art, directory, name, slash ? slash + 1 : path, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    print_art(&art);
    printf("wrote %s.c and %s.h into %s\n", name, name, directory);
    return EXIT_GOOD;
}

/* The same for a font: any size, any number. */
static int art_font(const char *verb, const char *path, int ascent, const char *made,
                    const char *directory, const char *given) {
    char usual[100];
    struct jl_baked_font baked;
    struct jl_complaint complaint = {""};
    const char *name = chosen_name(given, path, usual);
    if (ascent < 0 || ascent > 64) {
        return cli_bad(verb, "--ascent %d: expected 1 to 64 rows", ascent);
    }
    if (!jl_bake_art_font(path, ascent, &baked, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    bool good = jl_baked_font_write(&baked, directory, name, made, &complaint);
    if (good) {
        printf("%s: %d characters in lines of %d pixels, %zu bytes of flash\nwrote %s.c and %s.h "
               "into %s\n",
               name, baked.glyphs, baked.font.height, baked.bytes, name, name, directory);
    }
    jl_baked_font_free(&baked);
    return good ? EXIT_GOOD : cli_bad(verb, "%s", complaint.text);
}

static int bake_glyph(int argc, const char **argv) {
    char *directory = NULL; /* popt allocates what it puts here */
    char *name = NULL;
    int as_font = 0, ascent = 0;
    char made[600];
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        {"font", 0, POPT_ARG_NONE, &as_font, 0, "a font or icons of any size instead", NULL},
        {"ascent", 0, POPT_ARG_INT, &ascent, 0, "rows above the baseline of such a font", "N"},
        POPT_AUTOHELP POPT_TABLEEND};
    write_down(argc, argv, made, sizeof made);
    poptContext context =
        cli_parse(argc, argv, options,
                  "FILE\n\nTurns text art into characters of a character module: a line \"= 26F5\" "
                  "with a\ncode point, then 8 rows of 5 dots, # or . each. Up to 8 of them.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a file with text art; see jadelamp bake glyph --help");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = as_font ? art_font(argv[0], path, ascent, made, directory ? directory : ".", name)
                         : glyph(argv[0], path, directory ? directory : ".", name);
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}

/* ---- the reverse ---- */

static int bake_art(int argc, const char **argv) {
    struct jl_complaint complaint = {""};
    const struct poptOption options[] = {POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "FILE.c\n\nPrints a font that was baked into C as text art, for review or a diff; soft\n"
        "edges as : and +.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a C file that jadelamp bake wrote");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = jl_print_baked_font(path, stdout, &complaint)
                     ? EXIT_GOOD
                     : cli_bad(argv[0], "%s", complaint.text);
    }
    poptFreeContext(context);
    return status;
}

/* ---- pictures ---- */

/* What was typed, as popt gives it. */
struct typed {
    char *into, *name, *format, *card, *size, *fit, *crop, *turn, *background, *clear, *key,
        *dither;
    int plain, raw;
};

static bool choose_word(const char *verb, const char *option, const char *text,
                        const char *const *words, int count, int *out) {
    for (int i = 0; text && i < count; i++) {
        if (strcmp(text, words[i]) == 0) {
            *out = i;
            return true;
        }
    }
    char list[200] = "";
    for (int i = 0; i < count; i++) {
        size_t length = strlen(list);
        snprintf(list + length, sizeof list - length, "%s%s",
                 i == 0           ? ""
                 : i == count - 1 ? " or "
                                  : ", ",
                 words[i]);
    }
    return !text || (cli_bad(verb, "--%s %s: expected %s", option, text, list), false);
}

static bool read_color(const char *verb, const char *option, const char *text, jl_color *out) {
    char *end;
    if (!text) {
        return true;
    }
    const char *digits = *text == '#' ? text + 1 : text;
    *out = (jl_color)strtoul(digits, &end, 16);
    return (strlen(digits) == 6 && !*end) ||
           (cli_bad(verb, "--%s %s: expected six hex digits, such as FF8000", option, text), false);
}

static bool read_numbers(const char *verb, const char *option, const char *text, const char *scan,
                         const char *example, int count, int *numbers[4]) {
    int used = 0;
    bool good = !text || (count == 2 ? sscanf(text, scan, numbers[0], numbers[1], &used) == 2
                                     : sscanf(text, scan, numbers[0], numbers[1], numbers[2],
                                              numbers[3], &used) == 4);
    good = good && (!text || (text[used] == '\0' && *numbers[count - 1] > 0 &&
                              *numbers[count - 2] > 0 && *numbers[count - 1] <= JL_PIXMAP_SIDE &&
                              *numbers[count - 2] <= JL_PIXMAP_SIDE));
    return good || (cli_bad(verb, "--%s %s: expected such as %s", option, text, example), false);
}

/* The card's own pixels and size, unless they are said otherwise. */
static bool take_card(const char *verb, const char *name, struct jl_picture_recipe *recipe) {
    struct jl_card card;
    struct jl_complaint complaint = {""};
    if (!jl_card_find(name, &card, &complaint)) {
        return cli_bad(verb, "%s", complaint.text), false;
    }
    if (card.cells.bus) {
        return cli_bad(verb, "--card %s: a character module shows no pictures", name), false;
    }
    bool on_side = card.turn & 1;
    recipe->format = card.format;
    recipe->width = on_side ? card.height : card.width;
    recipe->height = on_side ? card.width : card.height;
    return true;
}

static bool read_recipe(const char *verb, const struct typed *typed,
                        struct jl_picture_recipe *recipe) {
    static const char *const fits[] = {"fit", "fill", "stretch"},
                             *const dithers[] = {"none", "ordered", "diffusion"},
                             *const clears[] = {"background", "key", "mask1", "mask4"},
                             *const turns[] = {"0", "90", "180", "270"};
    int fit = 0, dither = 0, clear = 0;
    *recipe = (struct jl_picture_recipe){.key = JL_FUCHSIA, .plain = typed->plain};
    if (typed->card && !take_card(verb, typed->card, recipe)) {
        return false;
    }
    if (typed->format && !(recipe->format = jl_bake_format(typed->format))) {
        return cli_bad(verb, "--format %s: expected %s", typed->format, jl_bake_format_list()),
               false;
    }
    if (!recipe->format) {
        return cli_bad(verb, "say --format NAME, or --card CARD for a card's own"), false;
    }
    bool good = choose_word(verb, "fit", typed->fit, fits, 3, &fit) &&
                choose_word(verb, "dither", typed->dither, dithers, 3, &dither) &&
                choose_word(verb, "clear", typed->clear, clears, 4, &clear) &&
                choose_word(verb, "turn", typed->turn, turns, 4, &recipe->quarter_turns) &&
                read_color(verb, "background", typed->background, &recipe->background) &&
                read_color(verb, "key", typed->key, &recipe->key) &&
                read_numbers(verb, "size", typed->size, "%dx%d%n", "64x48", 2,
                             (int *[4]){&recipe->width, &recipe->height}) &&
                read_numbers(verb, "crop", typed->crop, "%d,%d,%dx%d%n", "10,0,64x48", 4,
                             (int *[4]){&recipe->crop_x, &recipe->crop_y, &recipe->crop_width,
                                        &recipe->crop_height});
    recipe->fit = (enum jl_bake_fit)fit;
    recipe->dither = (enum jl_bake_dither)dither;
    recipe->clear = (enum jl_bake_clear)clear;
    return good;
}

static bool write_picture(const struct jl_baked_picture *baked, const struct typed *typed,
                          const char *name, const char *made, jl_color background,
                          struct jl_complaint *complaint) {
    char path[1024];
    struct jl_picture preview;
    const char *directory = typed->into ? typed->into : ".";
    bool good = typed->raw
                    ? jl_directory_make(directory, complaint) &&
                          jl_path_join(path, sizeof path, directory, name, ".bin", complaint) &&
                          jl_file_put(path, baked->pixels, baked->pixel_bytes, complaint)
                    : jl_baked_picture_write(baked, directory, name, made, complaint);
    if (!good) {
        return false;
    }
    if (!jl_baked_preview(baked, background, &preview)) {
        return jl_complain(complaint, "out of memory for the preview");
    }
    good = jl_path_join(path, sizeof path, directory, name, "-preview.png", complaint) &&
           jl_png_write(path, &preview, complaint);
    jl_picture_free(&preview);
    return good;
}

static void print_baked(const struct jl_baked_picture *baked, const struct typed *typed,
                        const char *name) {
    const struct jl_image *image = &baked->image;
    printf("%s: %d x %d, %s, %zu bytes of pixels", name, image->width, image->height,
           jl_bake_format_name(image->format), baked->pixel_bytes);
    if (image->packing) {
        printf(", packed from %zu", baked->plain_bytes);
    }
    if (baked->mask_bytes) {
        printf(", %zu of a mask", baked->mask_bytes);
    }
    if (baked->palette_count) {
        printf(", %zu of palette", (size_t)baked->palette_count * sizeof(jl_color));
    }
    printf("\nwrote %s%s and %s-preview.png into %s\n", name, typed->raw ? ".bin" : ".c, .h", name,
           typed->into ? typed->into : ".");
}

static int picture(const char *verb, const char *path, const char *made,
                   const struct typed *typed) {
    char usual[100];
    struct jl_picture_recipe recipe;
    struct jl_pixmap pixmap;
    struct jl_baked_picture baked;
    struct jl_complaint complaint = {""};
    const char *name = chosen_name(typed->name, path, usual);
    if (!read_recipe(verb, typed, &recipe)) {
        return EXIT_BAD;
    }
    if (typed->raw && recipe.clear >= JL_BAKE_MASK_1) {
        return cli_bad(verb, "--raw writes pixels only: choose another --clear");
    }
    recipe.plain |= typed->raw != 0;
    bool good = jl_pixmap_read(path, &pixmap, &complaint);
    bool made_it = good && jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint);
    good = made_it && write_picture(&baked, typed, name, made, recipe.background, &complaint);
    if (good) {
        print_baked(&baked, typed, name);
    }
    if (made_it) {
        jl_baked_picture_free(&baked);
    }
    jl_pixmap_free(&pixmap);
    return good ? EXIT_GOOD : cli_bad(verb, "%s", complaint.text);
}

static int bake_picture(int argc, const char **argv) {
    struct typed typed = {.into = NULL};
    char made[600];
    const struct poptOption options[] = {
        {"format", 'f', POPT_ARG_STRING, &typed.format, 0, "of the pixels, such as 5-6-5", "NAME"},
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0, "format and size of a panel card", "CARD"},
        {"size", 's', POPT_ARG_STRING, &typed.size, 0, "in pixels, else as it is", "WxH"},
        {"fit", 0, POPT_ARG_STRING, &typed.fit, 0, "how it comes to that size", "fit|fill|stretch"},
        {"crop", 0, POPT_ARG_STRING, &typed.crop, 0, "cut this out first", "X,Y,WxH"},
        {"turn", 0, POPT_ARG_STRING, &typed.turn, 0, "clockwise, after the cut", "0|90|180|270"},
        {"dither", 'd', POPT_ARG_STRING, &typed.dither, 0, "where colours are few",
         "none|ordered|diffusion"},
        {"background", 'b', POPT_ARG_STRING, &typed.background, 0,
         "behind what is clear, else black", "RRGGBB"},
        {"clear", 0, POPT_ARG_STRING, &typed.clear, 0, "what becomes of transparency",
         "background|key|mask1|mask4"},
        {"key", 0, POPT_ARG_STRING, &typed.key, 0, "colour that stands for clear, else FF00FF",
         "RRGGBB"},
        {"plain", 0, POPT_ARG_NONE, &typed.plain, 0, "do not pack", NULL},
        {"raw", 0, POPT_ARG_NONE, &typed.raw, 0, "pixels as NAME.bin instead of C", NULL},
        {"into", 'o', POPT_ARG_STRING, &typed.into, 0, "folder for the files, else this one",
         "DIR"},
        {"name", 'n', POPT_ARG_STRING, &typed.name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    write_down(argc, argv, made, sizeof made);
    poptContext context =
        cli_parse(argc, argv, options,
                  "FILE\n\nTurns a PNG, JPEG, GIF or BMP into NAME.c and NAME.h with a constant "
                  "for\njl_draw_image(), packed when that is smaller, and NAME-preview.png.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a picture; see jadelamp bake picture --help");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = picture(argv[0], path, made, &typed);
    }
    poptFreeContext(context);
    char *texts[] = {typed.into,       typed.name,  typed.format, typed.card,
                     typed.size,       typed.fit,   typed.crop,   typed.turn,
                     typed.background, typed.clear, typed.key,    typed.dither};
    for (size_t i = 0; i < sizeof texts / sizeof texts[0]; i++) {
        free(texts[i]);
    }
    return status;
}

/* ---- fonts ---- */

/* What is wanted, gathered from options that may stand several times. */
static bool gather(const char *verb, int option, const char *text, struct jl_code_set *wanted) {
    struct jl_complaint complaint = {""};
    switch (option) {
    case 'r':
        return jl_code_set_add_ranges(wanted, text) ||
               (cli_bad(verb, "--range %s: expected such as 20-7E,B0", text), false);
    case 't':
        return jl_code_set_add_text(wanted, text) ||
               (cli_bad(verb, "--text: that is not UTF-8"), false);
    default:
        return jl_code_set_add_file(wanted, text, &complaint) ||
               (cli_bad(verb, "%s", complaint.text), false);
    }
}

static void print_missing(const struct jl_baked_font *baked) {
    int room = (int)(sizeof baked->missing / sizeof baked->missing[0]);
    int shown = baked->missing_count < room ? baked->missing_count : room;
    printf("the font lacks %d of the characters:", baked->missing_count);
    for (int i = 0; i < shown; i++) {
        printf(" U+%04X", (unsigned)baked->missing[i]);
    }
    printf("%s\n", shown < baked->missing_count ? " ..." : "");
}

static int font(const char *verb, const char *path, const char *made, int pixels, int bits,
                const struct jl_code_set *wanted, const char *given, const char *directory) {
    char usual[100], preview[1024];
    struct jl_baked_font baked;
    struct jl_picture specimen = {0, 0, NULL};
    struct jl_complaint complaint = {""};
    const char *name = chosen_name(given, path, usual);
    if (!jl_bake_font(path, pixels, bits, wanted, &baked, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    bool good =
        jl_baked_font_write(&baked, directory, name, made, &complaint) &&
        (jl_baked_font_specimen(&baked, &specimen) ||
         jl_complain(&complaint, "out of memory for the specimen")) &&
        jl_path_join(preview, sizeof preview, directory, name, "-specimen.png", &complaint) &&
        jl_png_write(preview, &specimen, &complaint);
    jl_picture_free(&specimen);
    int status = good ? baked.missing_count ? EXIT_FINDINGS : EXIT_GOOD
                      : cli_bad(verb, "%s", complaint.text);
    if (good) {
        printf("%s: %s, %d characters in lines of %d pixels, %zu bytes of flash\n", name,
               baked.family, baked.glyphs, baked.font.height, baked.bytes);
        if (baked.missing_count) {
            print_missing(&baked);
        }
        printf("wrote %s.c, .h and %s-specimen.png into %s\n", name, name, directory);
    }
    jl_baked_font_free(&baked);
    return status;
}

static int bake_font(int argc, const char **argv) {
    static struct jl_code_set wanted;
    char *directory = NULL, *name = NULL, *text = NULL;
    char made[600];
    int pixels = 0, bits = 1, option;
    bool good = true, any = false;
    const struct poptOption options[] = {
        {"size", 's', POPT_ARG_INT, &pixels, 0, "of the characters, in pixels", "N"},
        {"bits", 'b', POPT_ARG_INT, &bits, 0, "1, or 4 for soft edges", "1|4"},
        {"text", 't', POPT_ARG_STRING, &text, 't', "these characters", "TEXT"},
        {"range", 'r', POPT_ARG_STRING, &text, 'r', "these code points, such as 20-7E,B0",
         "RANGES"},
        {"from", 0, POPT_ARG_STRING, &text, 'f', "all characters in a source or string file",
         "FILE"},
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    write_down(argc, argv, made, sizeof made);
    argv[0] = "bake font";
    poptContext context = poptGetContext("jadelamp bake font", argc, argv, options, 0);
    poptSetOtherOptionHelp(
        context, "FILE\n\nTurns a TrueType, OpenType, BDF or PCF font into NAME.c and NAME.h with "
                 "just\nthe characters wanted, and NAME-specimen.png. --text, --range and --from "
                 "may\nstand several times; without them it is ASCII. Exit status 1 when the "
                 "font\nlacks some of them.\n");
    while (good && (option = poptGetNextOpt(context)) > 0) {
        good = gather(argv[0], option, text, &wanted);
        any = true;
        free(text);
        text = NULL;
    }
    if (good && option < -1) {
        cli_bad(argv[0], "%s: %s; see jadelamp bake font --help",
                poptBadOption(context, POPT_BADOPTION_NOALIAS), poptStrerror(option));
        good = false;
    }
    int status = EXIT_BAD;
    const char *path = good ? poptGetArg(context) : NULL;
    if (!any) {
        jl_code_set_add_ranges(&wanted, "20-7E");
    }
    if (good && !path) {
        cli_bad(argv[0], "name a font file; see jadelamp bake font --help");
    } else if (good && !pixels) {
        cli_bad(argv[0], "say --size N, in pixels");
    } else if (good && !cli_too_many(context, argv[0])) {
        status =
            font(argv[0], path, made, pixels, bits, &wanted, name, directory ? directory : ".");
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}

/* ---- animations ---- */

static void print_frames(const struct jl_baked_frames *baked, const char *name) {
    const struct jl_animation *animation = &baked->animation;
    printf("%s: %d pictures of %d x %d, %s, %d rectangles, %zu bytes of flash; whole and plain "
           "%zu\n",
           name, animation->step_count, animation->width, animation->height,
           jl_bake_format_name(baked->format), baked->part_count,
           baked->pixel_bytes + (size_t)baked->part_count * JL_ANIMATION_PART_BYTES,
           baked->plain_bytes);
}

static int frames(const char *verb, const char *const *paths, int count, const char *made,
                  const struct typed *typed, int shown_ms) {
    char usual[100], path[1024];
    struct jl_picture_recipe recipe;
    struct jl_film film = {NULL, NULL, 0};
    static struct jl_baked_frames baked;
    struct jl_frames_cost cost = {0, 0};
    struct jl_picture sheet = {0, 0, NULL};
    struct jl_complaint complaint = {""};
    const char *name = chosen_name(typed->name, paths[0], usual);
    const char *directory = typed->into ? typed->into : ".";
    if (!read_recipe(verb, typed, &recipe)) {
        return EXIT_BAD;
    }
    bool good = jl_film_read(paths, count, shown_ms, &film, &complaint);
    bool made_it = good && jl_bake_frames(&film, &recipe, &baked, &complaint);
    good = made_it &&
           (!typed->card || jl_baked_frames_cost(&baked, typed->card, &cost, &complaint)) &&
           jl_baked_frames_write(&baked, directory, name, made, &complaint) &&
           (jl_baked_frames_preview(&baked, &sheet) ||
            jl_complain(&complaint, "the pictures are too many or too large for a sheet")) &&
           jl_path_join(path, sizeof path, directory, name, "-preview.png", &complaint) &&
           jl_png_write(path, &sheet, &complaint);
    if (good) {
        print_frames(&baked, name);
        if (typed->card) {
            printf("on %s: %.0f bytes a picture, up to %.1f pictures a second\n", typed->card,
                   cost.bytes, cost.per_second);
        }
        printf("wrote %s.c, .h and %s-preview.png into %s\n", name, name, directory);
    }
    if (made_it) {
        jl_baked_frames_free(&baked);
    }
    jl_picture_free(&sheet);
    jl_film_free(&film);
    return good ? EXIT_GOOD : cli_bad(verb, "%s", complaint.text);
}

static int bake_frames(int argc, const char **argv) {
    struct typed typed = {.into = NULL};
    char made[600];
    int shown_ms = 100;
    const struct poptOption options[] = {
        {"format", 'f', POPT_ARG_STRING, &typed.format, 0, "of the pixels, such as 5-6-5", "NAME"},
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0,
         "format and size of a panel card, and what its wire allows", "CARD"},
        {"size", 's', POPT_ARG_STRING, &typed.size, 0, "in pixels, else as it is", "WxH"},
        {"fit", 0, POPT_ARG_STRING, &typed.fit, 0, "how it comes to that size", "fit|fill|stretch"},
        {"dither", 'd', POPT_ARG_STRING, &typed.dither, 0,
         "where colours are few; diffusion makes more change", "none|ordered|diffusion"},
        {"background", 'b', POPT_ARG_STRING, &typed.background, 0,
         "behind what is clear, else black", "RRGGBB"},
        {"time", 0, POPT_ARG_INT, &shown_ms, 0, "of each file, in ms; else 100", "MS"},
        {"plain", 0, POPT_ARG_NONE, &typed.plain, 0, "do not pack", NULL},
        {"into", 'o', POPT_ARG_STRING, &typed.into, 0, "folder for the files, else this one",
         "DIR"},
        {"name", 'n', POPT_ARG_STRING, &typed.name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    write_down(argc, argv, made, sizeof made);
    poptContext context = cli_parse(
        argc, argv, options,
        "FILE...\n\nTurns an animated GIF, or pictures of one size, into NAME.c and NAME.h with a\n"
        "constant for jl_player_begin(): of each picture the rectangles that changed.\n");
    int status = EXIT_BAD;
    const char **paths = context ? poptGetArgs(context) : NULL;
    int count = 0;
    while (paths && paths[count]) {
        count++;
    }
    if (context && !count) {
        cli_bad(argv[0], "name a GIF or pictures; see jadelamp bake frames --help");
    } else if (context && (shown_ms < 1 || shown_ms > 65535)) {
        cli_bad(argv[0], "--time %d: expected 1 to 65535 ms", shown_ms);
    } else if (context) {
        status = frames(argv[0], paths, count, made, &typed, shown_ms);
    }
    poptFreeContext(context);
    char *texts[] = {typed.into, typed.name,   typed.format,     typed.card,
                     typed.size, typed.dither, typed.background, typed.fit};
    for (size_t i = 0; i < sizeof texts / sizeof texts[0]; i++) {
        free(texts[i]);
    }
    return status;
}

int verb_bake(int argc, const char **argv) {
    static const struct {
        const char *name, *whole;
        int (*run)(int argc, const char **argv);
        const char *what;
    } kinds[] = {
        {"glyph", "bake glyph", bake_glyph, "text art into characters of character modules"},
        {"picture", "bake picture", bake_picture, "a picture into an image for a panel"},
        {"frames", "bake frames", bake_frames, "an animation into the rectangles that change"},
        {"font", "bake font", bake_font, "characters of a font file into a font"},
        {"art", "bake art", bake_art, "a baked font back into text art"},
    };
    for (size_t i = 0; argc > 1 && i < sizeof kinds / sizeof kinds[0]; i++) {
        if (strcmp(argv[1], kinds[i].name) == 0) {
            argv[1] = kinds[i].whole;
            return kinds[i].run(argc - 1, argv + 1);
        }
    }
    bool asked = argc > 1 && strcmp(argv[1], "--help") == 0;
    if (!asked) {
        return cli_bad(argv[0], "%s: expected what to bake: glyph, picture, frames, font or art",
                       argc > 1 ? argv[1] : "nothing");
    }
    puts("Usage: jadelamp bake WHAT FILE [OPTIONS]\n");
    for (size_t i = 0; i < sizeof kinds / sizeof kinds[0]; i++) {
        printf("  %-8s %s\n", kinds[i].name, kinds[i].what);
    }
    puts("\njadelamp bake WHAT --help tells more.");
    return EXIT_GOOD;
}
