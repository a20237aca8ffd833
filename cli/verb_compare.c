/* jadelamp compare A.png B.png */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/compare.h"
#include "jadelamp/host/png.h"

static void print_text(const char *const paths[2], const struct jl_picture pictures[2],
                       const struct jl_comparison *c) {
    if (!c->same_size) {
        printf("%s has %d x %d pixels, %s %d x %d\n", paths[0], pictures[0].width,
               pictures[0].height, paths[1], pictures[1].width, pictures[1].height);
    } else if (!c->differing) {
        puts("the same");
    } else {
        printf("%ld of %ld pixels differ, columns %d to %d, rows %d to %d, by up to %d of 255\n",
               c->differing, (long)pictures[0].width * pictures[0].height, c->left, c->right,
               c->top, c->bottom, c->most);
    }
    if (c->relation[0]) {
        printf("%s is %s %s", paths[1], paths[0], c->relation);
        if (c->differing_then) {
            printf(", but for %ld pixels", c->differing_then);
        }
        putchar('\n');
    }
}

static void print_json(const struct jl_comparison *c) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddBoolToObject(json, "same_size", c->same_size);
    cJSON_AddNumberToObject(json, "differing", (double)c->differing);
    cJSON_AddNumberToObject(json, "left", c->left);
    cJSON_AddNumberToObject(json, "top", c->top);
    cJSON_AddNumberToObject(json, "right", c->right);
    cJSON_AddNumberToObject(json, "bottom", c->bottom);
    cJSON_AddNumberToObject(json, "most", c->most);
    cJSON_AddStringToObject(json, "relation", c->relation);
    cJSON_AddNumberToObject(json, "differing_then", (double)c->differing_then);
    cli_print_json(json);
}

static int compare(const char *const paths[2], int tolerance, const char *out, bool as_json) {
    struct jl_complaint complaint = {""};
    struct jl_picture pictures[2], difference;
    struct jl_comparison comparison;
    if (!jl_png_read(paths[0], &pictures[0], &complaint)) {
        return cli_bad("compare", "%s", complaint.text);
    }
    if (!jl_png_read(paths[1], &pictures[1], &complaint)) {
        jl_picture_free(&pictures[0]);
        return cli_bad("compare", "%s", complaint.text);
    }
    int status = EXIT_GOOD;
    if (!jl_compare(&pictures[0], &pictures[1], tolerance, &comparison)) {
        status = cli_bad("compare", "out of memory");
    } else if (out) {
        memset(&difference, 0, sizeof difference);
        jl_picture_compare(&pictures[0], &pictures[1], tolerance, &difference);
        if (!difference.rgb) {
            status = cli_bad("compare", "out of memory");
        } else if (!jl_png_write(out, &difference, &complaint)) {
            status = cli_bad("compare", "%s", complaint.text);
        }
        jl_picture_free(&difference);
    }
    if (status == EXIT_GOOD) {
        if (as_json) {
            print_json(&comparison);
        } else {
            print_text(paths, pictures, &comparison);
        }
        status = comparison.differing || !comparison.same_size ? EXIT_FINDINGS : EXIT_GOOD;
    }
    jl_picture_free(&pictures[0]);
    jl_picture_free(&pictures[1]);
    return status;
}

int verb_compare(int argc, const char **argv) {
    char *out = NULL;
    int tolerance = 0, as_json = 0, status = EXIT_BAD;
    const struct poptOption options[] = {
        {"tolerance", 0, POPT_ARG_INT, &tolerance, 0,
         "channels that differ by so much are equal, 0..255", "N"},
        {"picture", 'o', POPT_ARG_STRING, &out, 0,
         "write what differs as PNG: red where A is lighter, green where B is", "FILE"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options,
                  "A.png B.png\n\nTells where two pictures differ, and whether B is A shifted, "
                  "mirrored, turned,\ninverted, with red and blue or the bytes of pixels "
                  "exchanged, or two of these.\nExit status 1 when they differ.");
    if (context) {
        const char *paths[2] = {poptGetArg(context), NULL};
        paths[1] = paths[0] ? poptGetArg(context) : NULL;
        if (!paths[1]) {
            cli_bad("compare", "name two pictures, PNG files");
        } else if (tolerance < 0 || tolerance > 255) {
            cli_bad("compare", "--tolerance %d: expected 0 to 255", tolerance);
        } else if (!cli_too_many(context, "compare")) {
            status = compare(paths, tolerance, out, as_json);
        }
    }
    free(out);
    poptFreeContext(context);
    return status;
}
