/* Runs an example on the desktop: on the board of a card, and tells what came out. */
#include <string.h>

#include "example.h"
#include "jadelamp/host/run.h"

int main(int argc, char **argv) {
#ifdef EXAMPLE_HANDS /* a script of what fingers do, when no other is named */
    int option = argc > 1 && strcmp(argv[argc - 1], "--no-wires") == 0;
    int named = argc - option;
    char *with_hands[] = {
        argv[0],       named > 1 ? argv[1] : EXAMPLE_CARD, named > 2 ? argv[2] : ".",
        EXAMPLE_HANDS, option ? argv[argc - 1] : NULL,     NULL};
    if (named < 4) {
        return jl_run_main(4 + option, with_hands, EXAMPLE_NAME, EXAMPLE_CARD, example_run);
    }
#endif
    return jl_run_main(argc, argv, EXAMPLE_NAME, EXAMPLE_CARD, example_run);
}
