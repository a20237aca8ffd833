/* jadelamp bake steps */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/wake_import.h"

/* JL_WAKE_ANY for NULL; -1: reported. */
static int layout_of(const char *verb, const char *typed) {
    if (!typed) {
        return JL_WAKE_ANY;
    }
    for (int i = JL_WAKE_LINES; i <= JL_WAKE_FLAT; i++) {
        if (strcmp(jl_wake_layout_name((enum jl_wake_layout)i), typed) == 0) {
            return i;
        }
    }
    cli_bad(verb, "--layout %s: expected lines, counted, rows, calls or flat", typed);
    return -1;
}

static int steps(const char *verb, const char *path, const char *layout_name,
                 const char *controller_name) {
    static struct jl_wake_import import; /* large */
    struct jl_complaint complaint = {""};
    int layout = layout_of(verb, layout_name);
    const struct jl_catalog_entry *controller =
        controller_name ? jl_catalog_find(controller_name) : NULL;
    if (layout < 0) {
        return EXIT_BAD;
    }
    if (controller_name && !controller) {
        return cli_bad(verb, "--controller %s: no such; jadelamp catalog lists them",
                       controller_name);
    }
    if (!jl_wake_import(path, (enum jl_wake_layout)layout, controller, &import, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    printf("; %d steps, read as %s\n", import.count, jl_wake_layout_name(import.layout));
    jl_wake_import_print(stdout, &import, controller);
    return EXIT_GOOD;
}

int bake_steps(int argc, const char **argv) {
    char *layout = NULL, *controller = NULL; /* popt allocates what it puts here */
    const struct poptOption options[] = {
        {"layout", 0, POPT_ARG_STRING, &layout, 0, "how it is written, else found out",
         "lines|counted|rows|calls|flat"},
        {"controller", 0, POPT_ARG_STRING, &controller, 0,
         "whose commands they are: names them, and parts bytes that stand one behind the other",
         "PART"},
        POPT_AUTOHELP POPT_TABLEEND};
    argv[0] = "bake steps";
    poptContext context = cli_parse(
        argc, argv, options,
        "FILE\n\nPrints the [wake] section of a card from a sequence as people have it:\n"
        "  lines    a command a line, 36 48 or 0x36, 0x48; \"delay 120\" waits\n"
        "  counted  opcode, count, arguments; bit 7 of a count: a wait in ms behind them\n"
        "  rows     {opcode, {arguments}, count}, a command each\n"
        "  calls    write_command(0x36); write_data(0x48); delay(120)\n"
        "  flat     bytes one behind the other, parted by the controller's table\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a file");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = steps(argv[0], path, layout, controller);
    }
    poptFreeContext(context);
    free(layout);
    free(controller);
    return status;
}
