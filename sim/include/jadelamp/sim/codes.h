/**
 * @file
 * What kinds of mistakes emulated controllers and their buses find. Names stay as they are, so
 * that scripts can look for them; texts of diagnostics may change.
 */
#ifndef JADELAMP_SIM_CODES_H
#define JADELAMP_SIM_CODES_H

#ifdef __cplusplus
extern "C" {
#endif

/** X(enumerator, name, what it is) for each of them. */
#define JL_CODES(X)                                                                                \
    /* I2C */                                                                                      \
    X(ADDRESS_SHIFTED, "address-shifted",                                                          \
      "7-bit and 8-bit form of an I2C address taken for the "                                      \
      "other")                                                                                     \
    X(ADDRESS_UNANSWERED, "address-unanswered", "nobody is at the I2C address")                    \
    X(READ_BIT, "read-bit", "bytes are sent behind an address whose read bit is set")              \
    X(NO_START, "no-start", "bytes behind a STOP")                                                 \
    X(CONTROL_BYTE, "control-byte", "no control byte, or a wrong one, where one belongs")          \
    /* other buses */                                                                              \
    X(NONE_SELECTED, "none-selected", "bytes pass while no part is selected")                      \
    X(TWO_SELECTED, "two-selected", "two parts take the same bytes")                               \
    X(WORD_CUT, "word-cut", "CS ended in the middle of a word")                                    \
    X(PIN_IN_FLIGHT, "pin-in-flight", "a pin changed while bytes were still going out")            \
    X(BUFFER_IN_FLIGHT, "buffer-in-flight", "a buffer was written to while it was going out")      \
    X(CLOCK_TOO_FAST, "clock-too-fast", "a bus is faster than the datasheet allows")               \
    X(PULSE_TOO_SHORT, "pulse-too-short", "a strobe, set-up or hold time is too short")            \
    X(DATA_FIRST, "data-first", "data came before any command")                                    \
    X(DC_STUCK, "dc-stuck", "D/C never moves, and pixels are taken for commands")                  \
    X(BITS_REVERSED, "bits-reversed", "bytes come with the least significant bit first")           \
    X(SYNC_BYTE, "sync-byte", "no sync byte where one belongs")                                    \
    /* character modules */                                                                        \
    X(NIBBLE_STEP, "nibble-step", "the two nibbles of a byte are out of step")                     \
    X(NIBBLE_AS_BYTE, "nibble-as-byte", "4-bit mode was never entered")                            \
    X(NIBBLES_EXCHANGED, "nibbles-exchanged", "the low nibble goes first")                         \
    X(EXPANDER_MAP, "expander-map", "the program has another map of the expander's pins")          \
    /* reset, waits, sleep */                                                                      \
    X(RESET_TOO_SHORT, "reset-too-short", "the reset pulse is too short")                          \
    X(RESET_HELD, "reset-held", "bytes come while the reset pin is low")                           \
    X(RESET_MISSING, "reset-missing", "a part that needs a reset pulse got none")                  \
    X(RESET_RECOVERY, "reset-recovery", "bytes come too soon after a reset")                       \
    X(WAIT_TOO_SHORT, "wait-too-short", "a wait that the datasheet asks for is too short")         \
    X(BUSY, "busy", "bytes come while the part is busy, and are lost")                             \
    X(ASLEEP, "asleep", "the display sleeps while its memory is written")                          \
    X(DEEP_SLEEP, "deep-sleep", "bytes come in deep sleep, which only a reset ends")               \
    /* commands */                                                                                 \
    X(UNKNOWN_COMMAND, "unknown-command", "the part has no such command")                          \
    X(RELATIVE, "relative", "unknown commands are those of another part")                          \
    X(ARGUMENT_VALUE, "argument-value", "an argument is out of its range")                         \
    X(ARGUMENT_COUNT, "argument-count", "too few or too many arguments")                           \
    X(ARGUMENT_AS_DATA, "argument-as-data", "arguments come with D/C at the wrong level")          \
    X(NO_WRITE_COMMAND, "no-write-command", "pixels without the command before them")              \
    X(LOCKED, "locked", "a command has no effect while the part is locked")                        \
    X(WRONG_MODE, "wrong-mode", "a command has no effect in this mode, or not now")                \
    X(NOT_SHOWN, "not-shown", "a feature that is not emulated, or not in every revision")          \
    X(PIXEL_FORMAT, "pixel-format", "a pixel format that the part or its bus has not")             \
    X(PIXEL_CUT, "pixel-cut", "the last pixel lacks bytes")                                        \
    X(WINDOW_RANGE, "window-range", "a window lies outside the memory, or ends before it begins")  \
    X(WINDOW_WRAPS, "window-wraps", "more pixels came than the window holds")                      \
    X(ONE_PIXEL, "one-pixel", "windows of one pixel each, one after the other")                    \
    X(COLUMN_END, "column-end", "data past the last column")                                       \
    X(ADDRESS_RANGE, "address-range", "an address of the memory that does not exist or show")      \
    X(GEOMETRY, "geometry", "registers do not fit the glass")                                      \
    X(COLORS, "colors", "red and blue are exchanged, or all is a negative")                        \
    X(BYTES_EXCHANGED, "bytes-exchanged", "the two bytes of a pixel come in the other order")      \
    X(ON_TOO_EARLY, "on-too-early", "the display is on before it is set up")                       \
    X(ALL_ON, "all-on", "all pixels are on, whatever the memory holds")                            \
    X(PART_ON, "part-on", "a mode shows a part of the rows or colours")                            \
    X(NOISE_SHOWN, "noise-shown", "what the memory held at power-on can be seen")                  \
    X(WINDOW_SHARE, "window-share", "pixels came for a part of the window, or for more")           \
    X(PAGE_OVERRUN, "page-overrun", "pixels of a whole picture went into one page")                \
    X(TRANSFER_CUT, "transfer-cut", "transfers end early, as by a buffer that is too small")       \
    X(SCROLL_RANGE, "scroll-range", "a scroll area or start that cannot be")                       \
    X(SCROLL_RUNNING, "scroll-running", "something that may not be done while a scroll runs")      \
    X(SCROLL_NOT_SET, "scroll-not-set", "a scroll starts that was never set up")                   \
    X(VCOM, "vcom", "the voltage in front of a memory LCD stands still")                           \
    X(CONTRAST, "contrast", "a voltage at which all dots turn dark, or none")                      \
    X(TEXT_AS_GLYPH, "text-as-glyph", "text was written to the memory of one's own characters")    \
    /* e-paper */                                                                                  \
    X(STALE_PLANE, "stale-plane", "the plane of the old picture is not what the glass shows")      \
    X(RED_PLANE, "red-plane", "the red plane was not written, or is inverted")                     \
    X(VOLTAGES_OFF, "voltages-off", "an update without voltages or waveform")                      \
    X(SUPPLY, "supply", "two supplies drive the glass")                                            \
    X(VOLTAGES_ON, "voltages-on", "voltages were left on")                                         \
    X(UPDATE_RATE, "update-rate", "updates too often, or too many partial ones")                   \
    /* scan-out */                                                                                 \
    X(DATA_LINES, "data-lines", "data lines lead to the wrong inputs")                             \
    X(CLOCK_EDGE, "clock-edge", "data changes with the edge that latches it")                      \
    X(CLOCK_TOO_SLOW, "clock-too-slow", "so few pictures a second that rows fade")                 \
    X(SYNC_LEVEL, "sync-level", "a sync is active at the wrong level")                             \
    X(TIMING, "timing", "porches or sizes are not those of the glass")                             \
    X(NOT_AWAKE, "not-awake", "pictures come, but the command port had no wake-up sequence")       \
    X(TORN, "torn", "rows of two pictures in one")                                                 \
    X(MEMORY_TOO_SLOW, "memory-too-slow", "memory gives pixels or lines too late")                 \
    /* touch */                                                                                    \
    X(BOOTING, "booting", "registers are read before they are valid")                              \
    X(NOT_TAKEN, "not-taken", "a report is never taken, so no other comes")

enum jl_code {
#define JL_CODE_ENUMERATOR(enumerator, name, meaning) JL_CODE_##enumerator,
    JL_CODES(JL_CODE_ENUMERATOR)
#undef JL_CODE_ENUMERATOR
};

/** Such as "unknown-command". */
const char *jl_code_name(enum jl_code code);

/** What it is, in a few words. */
const char *jl_code_meaning(enum jl_code code);

#ifdef __cplusplus
}
#endif

#endif
