/* Runs an example on the desktop: on the board of a card, and tells what came out. */
#include "example.h"
#include "jadelamp/host/run.h"

int main(int argc, char **argv) {
    return jl_run_main(argc, argv, EXAMPLE_NAME, EXAMPLE_CARD, example_run);
}
