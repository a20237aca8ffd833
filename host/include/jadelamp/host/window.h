/*
 * A window on the board: the glass of one or more cards as it is right now, with the mouse as
 * finger, keys and a wheel as keys and knob, and time as fast, or as slow, as one wants. What it
 * shows runs in a process of its own, so that a program that crashes leaves the window standing.
 *
 *   #include <jadelamp/host/window.h>
 *
 *   int main(int argc, char **argv) {
 *       return jl_window_main(argc, argv, "my_screen", "ssd1306-128x64-i2c", my_screen);
 *   }
 *
 * docs/window.md goes through it. The component `window` of the package, which needs SDL2.
 */
#ifndef JADELAMP_HOST_WINDOW_H
#define JADELAMP_HOST_WINDOW_H

#include "jadelamp/host/run.h"
#include "jadelamp/host/screen_sheet.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_WINDOW_MOST_CARDS = 4 };

/**
 * Memory of a program that outlives its being built anew: a shared object that has one names it
 * JL_PROGRAM_KEPT, `struct jl_program_kept jadelamp_kept = {&state, sizeof state};`. It is given
 * back before the program starts, when the new one's is as large and the old one did not crash.
 */
struct jl_program_kept {
    void *memory;
    size_t bytes; /**< at most JL_PROGRAM_KEPT_BYTES */
};
#define JL_PROGRAM_KEPT "jadelamp_kept"
enum { JL_PROGRAM_KEPT_BYTES = 65536 };

struct jl_window_request {
    const struct jl_card *cards; /**< the first one's board has the others on it, too */
    int card_count;              /**< 1..JL_WINDOW_MOST_CARDS */
    const char *name;            /**< title, and begin of file names; NULL: the first card's */
    /** What runs; NULL: the object, or the test card, which fingers leave marks on. Its port is
     * the first of as many as there are cards, one behind the other. */
    jl_program program;
    /** A screen sheet for the first card, with sliders for its values: shown anew when it is saved.
     * NULL: none. Not with a program */
    const char *sheet;
    /** An open file with the bytes of a tap in firmware (docs/tap.md): the first card shows what it
     * says, as it comes. 0: none. Not with a program or a sheet */
    int tap;
    /** What hands do goes to the tap's file, a line each time they move: `hands KEYS QUARTERS X Y X
     * Y` (docs/tap.md). A socket or a serial line, opened for both ways. */
    bool tell_hands;
    const char *object;    /**< a shared object with a program: loaded anew when it changes; NULL */
    const char *directory; /**< for pictures and captures; NULL: the working one */
    /** A port with the first card's panel in hardware, which gets everything, too (twin.h), at the
     * pace of the window; NULL: none */
    const struct jl_port *beside;
    int zoom;   /**< 1..32 pixels for one of the glass; 0: as large as fits */
    bool plain; /**< square pixels, instead of the photo */
    /** Of its time for real time at first, a thousand is real speed: 1..100000; 0: that. */
    uint32_t speed_permille;
    uint32_t patience_ms; /**< of real time without a call of its port: then it hangs; 0: 5 s */
    uint32_t frames;      /**< pictures of the window, then it closes; 0: when it is closed */
    FILE *told;           /**< gets diagnostics and ends as they come, a line each; NULL: nobody */
};

struct jl_window_result {
    uint32_t frames;                 /**< drawn */
    uint32_t changes;                /**< in which a glass differed from before */
    double real_s;                   /**< that the window was open */
    double virtual_s;                /**< of the last program */
    uint32_t loads;                  /**< how often a program was started */
    uint32_t crashes;                /**< crashed, or hung */
    uint32_t diagnostics;            /**< above a note */
    uint32_t fingers, keys, detents; /**< that hands did in it */
    jl_status status;                /**< what the last program returned; JL_OK when it did not */
    bool dark;                       /**< the first glass, in the end */
};

/**
 * Opens it, and returns when it was closed. A program that fails is a result. False: the window,
 * or the board, could not be made. Not for two threads at once.
 */
bool jl_window(const struct jl_window_request *request, struct jl_window_result *result,
               struct jl_complaint *complaint);

/** Whether a program failed or crashed, the glass is dark, or a controller found fault. */
bool jl_window_has_findings(const struct jl_window_result *result);

/**
 * A main program in one call: shows the program on the card named in argv[1], else on `card`.
 *
 * @return for main(): 0 good, 1 findings, 2 bad usage or input
 */
int jl_window_main(int argc, char **argv, const char *name, const char *card, jl_program program);

#ifdef __cplusplus
}
#endif

#endif
