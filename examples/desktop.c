/* Runs an example on the desktop: on the board of a card, and tells what came out. */
#include "example.h"
#include "jadelamp/host/run.h"

int main(int argc, char **argv) {
#ifdef EXAMPLE_HANDS /* a script of what fingers do, when no other is named */
    char *with_hands[] = {argv[0], argc > 1 ? argv[1] : EXAMPLE_CARD, argc > 2 ? argv[2] : ".",
                          EXAMPLE_HANDS, NULL};
    if (argc < 4) {
        return jl_run_main(4, with_hands, EXAMPLE_NAME, EXAMPLE_CARD, example_run);
    }
#endif
    return jl_run_main(argc, argv, EXAMPLE_NAME, EXAMPLE_CARD, example_run);
}
