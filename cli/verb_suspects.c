/* jadelamp suspects CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/png.h"
#include "jadelamp/host/seen.h"

static void print_text(const struct jl_card *card, const struct jl_suspects *suspects,
                       const char *directory) {
    printf("%s: %d mistakes that it can have, and that show\n\n", card->name, suspects->count);
    for (int i = 0; i < suspects->count; i++) {
        printf("  %-13s  %-37s %s%s\n", suspects->list[i].name, suspects->list[i].mistake,
               suspects->dark[i] ? "dark; " : "", suspects->list[i].remedy);
    }
    printf("\n  wrote %s-suspects-1.png%s%s-suspects.html into %s\n", card->name,
           suspects->pages > 1 ? " and on, " : ", ", card->name, directory);
}

static const char *what_of(const struct jl_suspects *suspects, const struct jl_seen_match *match) {
    return match->suspect < 0 ? "as it should be" : suspects->list[match->suspect].mistake;
}

static void print_seen(const struct jl_suspects *suspects, const struct jl_seen *seen,
                       const char *path) {
    printf("\n%s: %s\n", path,
           !seen->fits     ? "none of them fits; the nearest are"
           : seen->is_sure ? "it is the first of these"
                           : "it may be one of these");
    for (int i = 0; i < seen->count; i++) {
        const struct jl_seen_match *match = &seen->best[i];
        printf("  %3.0f %%  %-37s  %s\n", 100 * match->likeness, what_of(suspects, match),
               match->suspect < 0 ? "" : suspects->list[match->suspect].remedy);
    }
}

static cJSON *seen_json(const struct jl_suspects *suspects, const struct jl_seen *seen) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddBoolToObject(json, "fits", seen->fits);
    cJSON_AddBoolToObject(json, "is_sure", seen->is_sure);
    cJSON *list = cJSON_AddArrayToObject(json, "best");
    for (int i = 0; i < seen->count; i++) {
        int at = seen->best[i].suspect;
        cJSON *one = cJSON_CreateObject();
        cJSON_AddStringToObject(one, "name", at < 0 ? "right" : suspects->list[at].name);
        cJSON_AddNumberToObject(one, "likeness", seen->best[i].likeness);
        cJSON_AddItemToArray(list, one);
    }
    return json;
}

/* Whether sides of four corners, in turn, all bend the same way. */
static bool go_round(double corners[4][2]) {
    bool clockwise = true, other = true;
    for (int i = 0; i < 4; i++) {
        const double *a = corners[i], *b = corners[(i + 1) % 4], *c = corners[(i + 2) % 4];
        double bend = (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);
        clockwise = clockwise && bend >= 0;
        other = other && bend <= 0;
    }
    return clockwise || other; /* neither, if one is no number */
}

/* "12,8 230,10 228,120 11,118". False: reported. */
static bool take_corners(const char *verb, const char *text, struct jl_seen_request *request) {
    double *c = &request->corners[0][0];
    int end = 0;
    int count = sscanf(text, "%lf,%lf %lf,%lf %lf,%lf %lf,%lf %n", c, c + 1, c + 2, c + 3, c + 4,
                       c + 5, c + 6, c + 7, &end);
    if (count != 8 || text[end]) {
        cli_bad(verb,
                "--corners \"%s\": expected x,y of top left, top right, bottom right and bottom "
                "left, such as \"12,8 230,10 228,120 11,118\"",
                text);
        return false;
    }
    if (!go_round(request->corners)) {
        cli_bad(verb,
                "--corners \"%s\": they do not go round a glass; expected x,y of top left, top "
                "right, bottom right and bottom left in this order",
                text);
        return false;
    }
    request->has_corners = true;
    return true;
}

static void print_json(const struct jl_card *card, const struct jl_suspects *suspects,
                       const struct jl_seen *seen) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(card));
    cJSON_AddNumberToObject(json, "pages", suspects->pages);
    cJSON *list = cJSON_AddArrayToObject(json, "suspects");
    for (int i = 0; i < suspects->count; i++) {
        cJSON *one = cJSON_CreateObject();
        cJSON_AddStringToObject(one, "name", suspects->list[i].name);
        cJSON_AddStringToObject(one, "mistake", suspects->list[i].mistake);
        cJSON_AddStringToObject(one, "remedy", suspects->list[i].remedy);
        cJSON_AddBoolToObject(one, "dark", suspects->dark[i] != NULL);
        cJSON_AddItemToArray(list, one);
    }
    if (seen) {
        cJSON_AddItemToObject(json, "seen", seen_json(suspects, seen));
    }
    cli_print_json(json);
}

int verb_suspects(int argc, const char **argv) {
    static struct jl_card card; /* large */
    static struct jl_suspects suspects;
    struct jl_complaint complaint = {""};
    char *typed = NULL, *path = NULL, *corners = NULL; /* popt allocates what it puts here */
    struct jl_picture photo = {0};
    struct jl_seen_request request = {.photo = &photo};
    struct jl_seen seen;
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &typed, 0, "folder for the files, else this one", "DIR"},
        {"seen", 0, POPT_ARG_STRING, &path, 0,
         "a PNG of the real glass: tell which mistakes look most like it", "FILE"},
        {"corners", 0, POPT_ARG_STRING, &corners, 0,
         "where the glass is in it: top left, top right, bottom right, bottom left; else what is "
         "lit, before dark things",
         "X,Y X,Y X,Y X,Y"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD\n\nShows what the test card would look like under each likely mistake that the card\n"
        "can have: in its description, its wake-up sequence, its wiring. Writes contact sheets\n"
        "NAME-suspects-1.png and so on, and NAME-suspects.html with the remedies.\n");
    int status = EXIT_BAD;
    const char *name = cli_take_card(context, argv[0]);
    const char *directory = typed ? typed : ".";
    if (name && corners && !path) {
        cli_bad(argv[0], "--corners are of a picture: name it with --seen");
    } else if (name && (!corners || take_corners(argv[0], corners, &request))) {
        bool good = jl_card_find(name, &card, &complaint) &&
                    (!path || jl_png_read(path, &photo, &complaint)) &&
                    jl_suspects_draw(&card, &suspects, &complaint) &&
                    (!path || jl_suspects_compare(&suspects, &request, &seen, &complaint)) &&
                    jl_suspects_write(&suspects, directory, card.name, &complaint);
        if (!good) {
            status = cli_bad(argv[0], "%s", complaint.text);
        } else if (as_json) {
            print_json(&card, &suspects, path ? &seen : NULL);
            status = EXIT_GOOD;
        } else {
            print_text(&card, &suspects, directory);
            if (path) {
                print_seen(&suspects, &seen, path);
            }
            status = EXIT_GOOD;
        }
        jl_suspects_free(&suspects);
    }
    poptFreeContext(context);
    jl_picture_free(&photo);
    free(typed);
    free(path);
    free(corners);
    return status;
}
