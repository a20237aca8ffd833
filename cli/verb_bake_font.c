/* jadelamp bake font */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"

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

static void print_font_json(const struct jl_baked_font *baked, const char *name,
                            const char *directory) {
    int room = (int)(sizeof baked->missing / sizeof baked->missing[0]);
    cJSON *json =
        bake_json(name, directory, (const char *const[4]){".c", ".h", "-specimen.png", NULL});
    cli_json_text(json, "family", baked->family);
    cJSON_AddNumberToObject(json, "characters", baked->glyphs);
    cJSON_AddNumberToObject(json, "height", baked->font.height);
    cJSON_AddNumberToObject(json, "bytes", (double)baked->bytes);
    cJSON_AddNumberToObject(json, "missing_count", baked->missing_count);
    cJSON *codes = cJSON_AddArrayToObject(json, "missing");
    for (int i = 0; i < baked->missing_count && i < room; i++) {
        cJSON_AddItemToArray(codes, cJSON_CreateNumber(baked->missing[i]));
    }
    cli_print_json(json);
}

static int font(const char *verb, const char *path, const char *made, int pixels, int bits,
                const struct jl_code_set *wanted, const char *given, const char *directory,
                bool as_json) {
    char usual[100], preview[1024];
    struct jl_baked_font baked;
    struct jl_picture specimen = {0, 0, NULL};
    struct jl_complaint complaint = {""};
    const char *name = bake_name(given, path, usual);
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
    if (good && as_json) {
        print_font_json(&baked, name, directory);
    } else if (good) {
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

int bake_font(int argc, const char **argv) {
    static struct jl_code_set wanted;
    char *directory = NULL, *name = NULL, *text = NULL;
    char made[600];
    int pixels = 0, bits = 1, as_json = 0, option;
    bool good = true, any = false;
    const struct poptOption options[] = {
        {"size", 's', POPT_ARG_INT, &pixels, 0, "of the characters, in pixels", "N"},
        {"bits", 'b', POPT_ARG_INT, &bits, 0, "1, or 4 for soft edges", "1|4"},
        {"text", 't', POPT_ARG_STRING, &text, 't', "these characters", "TEXT"},
        {"range", 'r', POPT_ARG_STRING, &text, 'r', "these code points, such as 20-7E,B0",
         "RANGES"},
        {"from", 0, POPT_ARG_STRING, &text, 'f', "all characters in a source or string file",
         "FILE"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
    argv[0] = "bake font";
    poptContext context = poptGetContext(argv[0], argc, argv, options, 0);
    poptSetOtherOptionHelp(
        context, "FILE\n\nTurns a TrueType, OpenType, BDF or PCF font into NAME.c and NAME.h with "
                 "just\nthe characters wanted, and NAME-specimen.png. --text, --range and --from "
                 "may\nstand several times; without them it is ASCII. Exit status 1 when the "
                 "font\nlacks some of them.\n");
    while (good && (option = cli_next_option(context, argv)) > 0) {
        good = gather(argv[0], option, text, &wanted);
        any = true;
        free(text);
        text = NULL;
    }
    good = good && option == -1;
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
        status = font(argv[0], path, made, pixels, bits, &wanted, name, directory ? directory : ".",
                      as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}
