/* A whole main program around a window. */
#include <stdio.h>

#include "jadelamp/host/window.h"

int jl_window_main(int argc, char **argv, const char *name, const char *card_name,
                   jl_program program) {
    static struct jl_card card; /* large */
    struct jl_window_result result;
    struct jl_complaint complaint = {""};
    if (argc > 2) {
        fprintf(stderr, "usage: %s [CARD]\n", argv[0]);
        return 2;
    }
    const struct jl_window_request request = {
        .cards = &card, .card_count = 1, .name = name, .program = program, .told = stdout};
    if (!jl_card_find(argc > 1 ? argv[1] : card_name, &card, &complaint) ||
        !jl_window(&request, &result, &complaint)) {
        fprintf(stderr, "%s: %s\n", name, complaint.text);
        return 2;
    }
    return jl_window_has_findings(&result);
}
