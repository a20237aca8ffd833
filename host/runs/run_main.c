/* A run told to a person: what is printed, and a whole main program. */
#include <stdio.h>
#include <string.h>

#include "jadelamp/host/run.h"

void jl_run_print(FILE *out, const struct jl_run_result *result) {
    const struct jl_rig *rig = &result->rig;
    const struct jl_card *card = &rig->card;
    fprintf(out, "%s: %s, %dx%d%s\n", card->name, card->controller->name, card->width, card->height,
            card->cells.bus ? " cells" : "");
    switch (result->end) {
    case JL_RUN_RETURNED:
        fprintf(out, "  returned %s: %s\n", jl_status_name(result->status),
                jl_status_text(result->status));
        break;
    case JL_RUN_TIME_UP:
        fprintf(out, "  still running after %.3g s of its time: stopped\n", result->whole_us / 1e6);
        break;
    case JL_RUN_STUCK:
        fprintf(out, "  stuck: no transfer, no wait and no return, for seconds or a million levels "
                     "of pins\n");
        break;
    }
    if (result->other_bus) {
        fprintf(out, "  the program talks %s, and this card is wired for %s: its config.bus\n",
                rig->sim.i2c ? "by other wires" : "I2C", rig->sim.i2c ? "I2C" : "another bus");
    }
    if (result->bus_status != JL_OK) {
        fprintf(out, "  %9.3f ms first error of the bus: %s\n", result->bus_error_us / 1e3,
                jl_status_text(result->bus_status));
    }
    fprintf(out, "  %.2f ms: %.2f on the wire, %.2f waiting; computing takes no time here\n",
            result->whole_us / 1e3, result->cost.microseconds / 1e3, result->waited_us / 1e3);
    if (rig->sim.rgb) {
        fprintf(out, "  %u pictures scanned out, %llu bytes; %llu transfers on other buses\n",
                (unsigned)result->scans, (unsigned long long)result->cost.bytes,
                (unsigned long long)result->transfers);
    } else {
        fprintf(out, "  %llu bytes on the bus in %llu transfers\n",
                (unsigned long long)result->cost.bytes, (unsigned long long)result->transfers);
    }
    jl_sight_print(out, rig, &result->sight);
}

int jl_run_main(int argc, char **argv, const char *name, const char *card_name,
                jl_program program) {
    static struct jl_card card;
    static struct jl_run_result result; /* large */
    struct jl_complaint complaint = {""};
    static struct jl_hand_script hands;
    bool no_wires = argc > 1 && strcmp(argv[argc - 1], "--no-wires") == 0;
    argc -= no_wires;
    const struct jl_run_request request = {.name = name,
                                           .directory = argc > 2 ? argv[2] : ".",
                                           .hands = argc > 3 ? &hands : NULL,
                                           .no_wires = no_wires};
    if (argc > 4) {
        fprintf(stderr, "usage: %s [CARD [FOLDER [HANDS]]] [--no-wires]\n", argv[0]);
        return 2;
    }
    bool good = jl_card_find(argc > 1 ? argv[1] : card_name, &card, &complaint) &&
                (argc < 4 || jl_hand_script_read(argv[3], &hands, &complaint));
    if (good) {
        good = jl_run(&card, program, &request, &result, &complaint);
        if (good) {
            jl_run_print(stdout, &result);
        }
    }
    int status = good ? jl_run_has_findings(&result) : 2;
    if (!good) {
        fprintf(stderr, "%s: %s\n", name, complaint.text);
    }
    jl_run_close(&result);
    return status;
}
