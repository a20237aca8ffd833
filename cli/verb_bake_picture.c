/* jadelamp bake picture */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"

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

static void print_picture_json(const struct jl_baked_picture *baked, const struct typed *typed,
                               const char *name) {
    const struct jl_image *image = &baked->image;
    static const char *const raw[4] = {".bin", "-preview.png", NULL};
    static const char *const in_c[4] = {".c", ".h", "-preview.png", NULL};
    cJSON *json = bake_json(name, typed->into ? typed->into : ".", typed->raw ? raw : in_c);
    cJSON_AddNumberToObject(json, "width", image->width);
    cJSON_AddNumberToObject(json, "height", image->height);
    cJSON_AddStringToObject(json, "format", jl_bake_format_name(image->format));
    cJSON_AddBoolToObject(json, "packed", image->packing != NULL);
    cJSON_AddNumberToObject(json, "pixel_bytes", (double)baked->pixel_bytes);
    cJSON_AddNumberToObject(json, "plain_bytes", (double)baked->plain_bytes);
    cJSON_AddNumberToObject(json, "mask_bytes", (double)baked->mask_bytes);
    cJSON_AddNumberToObject(json, "palette_colors", baked->palette_count);
    cli_print_json(json);
}

static int picture(const char *verb, const char *path, const char *made,
                   const struct typed *typed) {
    char usual[100];
    struct jl_picture_recipe recipe;
    struct jl_pixmap pixmap;
    struct jl_baked_picture baked;
    struct jl_complaint complaint = {""};
    const char *name = bake_name(typed->name, path, usual);
    if (!bake_recipe(verb, typed, &recipe)) {
        return EXIT_BAD;
    }
    if (typed->raw && recipe.clear >= JL_BAKE_MASK_1) {
        return cli_bad(verb, "--raw writes pixels only: choose another --clear");
    }
    recipe.plain |= typed->raw != 0;
    bool good = jl_pixmap_read(path, &pixmap, &complaint);
    bool made_it = good && jl_bake_pixmap(&pixmap, &recipe, &baked, &complaint);
    good = made_it && write_picture(&baked, typed, name, made, recipe.background, &complaint);
    if (good && typed->json) {
        print_picture_json(&baked, typed, name);
    } else if (good) {
        print_baked(&baked, typed, name);
    }
    if (made_it) {
        jl_baked_picture_free(&baked);
    }
    jl_pixmap_free(&pixmap);
    return good ? EXIT_GOOD : cli_bad(verb, "%s", complaint.text);
}

int bake_picture(int argc, const char **argv) {
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
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        {"plain", 0, POPT_ARG_NONE, &typed.plain, 0, "do not pack", NULL},
        {"raw", 0, POPT_ARG_NONE, &typed.raw, 0, "pixels as NAME.bin instead of C", NULL},
        {"into", 'o', POPT_ARG_STRING, &typed.into, 0, "folder for the files, else this one",
         "DIR"},
        {"name", 'n', POPT_ARG_STRING, &typed.name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
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
