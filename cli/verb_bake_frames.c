/* jadelamp bake frames */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/bake_frames.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"

static void print_frames(const struct jl_baked_frames *baked, const char *name) {
    const struct jl_animation *animation = &baked->animation;
    printf("%s: %d pictures of %d x %d, %s, %d rectangles, %zu bytes of flash; whole and plain "
           "%zu\n",
           name, animation->step_count, animation->width, animation->height,
           jl_bake_format_name(baked->format), baked->part_count,
           baked->pixel_bytes + (size_t)baked->part_count * JL_ANIMATION_PART_BYTES,
           baked->plain_bytes);
}

static void print_frames_json(const struct jl_baked_frames *baked, const struct typed *typed,
                              const struct jl_frames_cost *cost, const char *name) {
    cJSON *json = bake_json(name, typed->into ? typed->into : ".",
                            (const char *const[4]){".c", ".h", "-preview.png", NULL});
    cJSON_AddNumberToObject(json, "pictures", baked->animation.step_count);
    cJSON_AddNumberToObject(json, "width", baked->animation.width);
    cJSON_AddNumberToObject(json, "height", baked->animation.height);
    cJSON_AddStringToObject(json, "format", jl_bake_format_name(baked->format));
    cJSON_AddNumberToObject(json, "rectangles", baked->part_count);
    cJSON_AddNumberToObject(json, "pixel_bytes", (double)baked->pixel_bytes);
    cJSON_AddNumberToObject(json, "plain_bytes", (double)baked->plain_bytes);
    if (typed->card) {
        cli_json_text(json, "card", typed->card);
        cJSON_AddNumberToObject(json, "bus_bytes_a_picture", cost->bytes);
        cJSON_AddNumberToObject(json, "pictures_a_second", cost->per_second);
    }
    cli_print_json(json);
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
    const char *name = bake_name(typed->name, paths[0], usual);
    const char *directory = typed->into ? typed->into : ".";
    if (!bake_recipe(verb, typed, &recipe)) {
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
    if (good && typed->json) {
        print_frames_json(&baked, typed, &cost, name);
    } else if (good) {
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

int bake_frames(int argc, const char **argv) {
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
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        {"plain", 0, POPT_ARG_NONE, &typed.plain, 0, "do not pack", NULL},
        {"into", 'o', POPT_ARG_STRING, &typed.into, 0, "folder for the files, else this one",
         "DIR"},
        {"name", 'n', POPT_ARG_STRING, &typed.name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
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
