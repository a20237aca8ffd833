/*
 * A program of one's own on the board: the code that will run on the microcontroller gets a port
 * and shows its screen on the emulated panel of a card.
 *
 *   #include <jadelamp/host/run.h>
 *
 *   int main(int argc, char **argv) {
 *       return jl_run_main(argc, argv, "my_screen", "ssd1306-128x64-i2c", my_screen);
 *   }
 *
 * docs/on-the-board.md goes through it.
 */
#ifndef JADELAMP_HOST_RUN_H
#define JADELAMP_HOST_RUN_H

#include "jadelamp/host/hand_script.h"
#include "jadelamp/host/sight.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A program as on hardware: its description, its drawing, and this port. It may return, or loop
 * for ever: then it is stopped after some seconds of its own time. Declare it `extern "C"` in C++.
 */
typedef jl_status (*jl_program)(const struct jl_port *port);

/** The name of the program's function in a shared object: jl_program_load(). */
#define JL_PROGRAM_ENTRY "jadelamp_program"

struct jl_run_request {
    const char *name;      /**< the files are NAME-glass.png and so on; NULL: the card's */
    const char *directory; /**< made when missing; NULL: the working one */
    int scale;             /**< of the photo: 2..32, or 0 for about 1000 pixels */
    uint32_t most_ms;      /**< of the program's time; 0: 10 s */
    /** Fingers on the touch panel of the card, from the start of the run on, in coordinates of the
     * picture as the card turns it; or NULL. The caller's */
    const struct jl_hand_script *hands;
    uint32_t patience_ms; /**< of real time while the program's stands still; 0: 5 s */
    bool no_wires;        /**< no NAME.vcd is written: long programs are done sooner */
};

/** How a run ended. */
enum jl_run_end {
    JL_RUN_RETURNED, /**< with result.status */
    JL_RUN_TIME_UP,  /**< it was still running after most_ms of its time, which is fine */
    JL_RUN_STUCK,    /**< its time stood still for patience_ms, or a million levels of pins: no
                      * transfer, no wait, no return */
};

struct jl_run_result {
    struct jl_rig rig; /**< open: for diagnostics and further looks */
    struct jl_sight sight;
    enum jl_run_end end;
    jl_status status;         /**< what it returned; JL_OK when it did not return */
    jl_status bus_status;     /**< the first error that the port gave; JL_OK: none */
    double bus_error_us;      /**< when that was */
    bool other_bus;           /**< it talked I2C to a card of other wires, or the other way round */
    uint64_t transfers;       /**< begun by the program */
    uint32_t scans;           /**< pictures that were scanned out */
    struct jl_wire_cost cost; /**< bytes on the bus, and its time with a transfer under way */
    double waited_us;         /**< of its time it slept in wait_us(), or asked poll() or now_us() */
    double whole_us;          /**< all of its time; computing takes none */
};

/**
 * Runs a program on the board of a card and writes NAME-glass.png, NAME-photo.png and NAME.vcd. A
 * program that fails is a result: see its members. False: a file could not be written, or the
 * board could not be built. Close the result in either case. Not for two threads at once.
 */
bool jl_run(const struct jl_card *card, jl_program program, const struct jl_run_request *request,
            struct jl_run_result *result, struct jl_complaint *complaint);

/** Frees the result; harmless on a zeroed one. */
void jl_run_close(struct jl_run_result *result);

/** Prints it for a person. */
void jl_run_print(FILE *out, const struct jl_run_result *result);

/** Whether the program failed, the glass is dark, or a controller found something wrong. */
bool jl_run_has_findings(const struct jl_run_result *result);

/**
 * A main program in one call: runs on the card named in argv[1], else on `card`, writes into the
 * folder in argv[2], else the working one, with the hands of the script in argv[3], else none, and
 * prints what came out. --no-wires as the last argument: no_wires.
 *
 * @return for main(): 0 good, 1 findings, 2 bad usage or input
 */
int jl_run_main(int argc, char **argv, const char *name, const char *card, jl_program program);

/**
 * Loads a program from a shared object: its function jadelamp_program(). The object links the
 * library itself. NULL: the complaint says why. It stays loaded.
 */
jl_program jl_program_load(const char *path, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
