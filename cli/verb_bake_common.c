/* Names and recipes for jadelamp bake. */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

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

const char *bake_name(const char *given, const char *path, char usual[100]) {
    default_name(path, usual, 100);
    return given ? given : usual;
}

void bake_command(int argc, const char **argv, char *made, size_t size) {
    snprintf(made, size, "jadelamp");
    for (int i = 0; i < argc; i++) {
        size_t length = strlen(made);
        /* Folders are of this machine only, and the files may go to others. */
        const char *slash = strrchr(argv[i], '/');
        snprintf(made + length, size - length, " %s", slash ? slash + 1 : argv[i]);
    }
}

cJSON *bake_json(const char *name, const char *directory, const char *const endings[4]) {
    cJSON *json = cJSON_CreateObject();
    cli_json_text(json, "name", name);
    cli_json_text(json, "directory", directory);
    cJSON *files = cJSON_AddArrayToObject(json, "files");
    for (size_t i = 0; i < 4 && endings[i]; i++) {
        char path[1400];
        cJSON *holder = cJSON_CreateObject();
        snprintf(path, sizeof path, "%s/%s%s", directory, name, endings[i]);
        cli_json_text(holder, "path", path);
        cJSON_AddItemToArray(files, cJSON_DetachItemFromObject(holder, "path"));
        cJSON_Delete(holder);
    }
    return json;
}

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
    if (!text) {
        return true;
    }
    const char *digits = *text == '#' ? text + 1 : text;
    *out = (jl_color)strtoul(digits, NULL, 16);
    return (strspn(digits, "0123456789abcdefABCDEF") == 6 && !digits[6]) ||
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

bool bake_recipe(const char *verb, const struct typed *typed, struct jl_picture_recipe *recipe) {
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
                read_numbers(verb, "size", typed->size, "%9dx%9d%n", "64x48", 2,
                             (int *[4]){&recipe->width, &recipe->height}) &&
                read_numbers(verb, "crop", typed->crop, "%9d,%9d,%9dx%9d%n", "10,0,64x48", 4,
                             (int *[4]){&recipe->crop_x, &recipe->crop_y, &recipe->crop_width,
                                        &recipe->crop_height});
    recipe->fit = (enum jl_bake_fit)fit;
    recipe->dither = (enum jl_bake_dither)dither;
    recipe->clear = (enum jl_bake_clear)clear;
    return good;
}
