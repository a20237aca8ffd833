/*
 * Status codes: what every call that can fail returns.
 *
 * Rule for the whole library: JL_OK is 0, every other value names one cause.
 * A status that comes from the user's port is passed on unchanged.
 */
#ifndef JADELAMP_STATUS_H
#define JADELAMP_STATUS_H

#ifdef __cplusplus
extern "C" {
#endif

/* Asks the compiler to complain when a status is dropped. */
#if defined(__GNUC__)
#define JL_MUST_CHECK __attribute__((warn_unused_result))
#else
#define JL_MUST_CHECK
#endif

/* One list, so that the names and the texts cannot drift apart. */
#define JL_STATUS_LIST(X)                                                                          \
    X(JL_OK, "ok")                                                                                 \
    X(JL_NO_ANSWER, "no answer: nobody acknowledged the byte on the bus, or drove the wires that " \
                    "were read")                                                                   \
    X(JL_TIMEOUT, "timeout: the bus or a pin did not become ready in time")                        \
    X(JL_BUS_ERROR, "bus error: the port could not complete the transfer")                         \
    X(JL_BAD_ARGUMENT, "bad argument")                                                             \
    X(JL_BAD_ADDRESS, "bad I2C address: a 7-bit address lies in 0x08..0x77 (0x78 on a label is "   \
                      "the 8-bit form of 0x3C)")                                                   \
    X(JL_BAD_BUS, "the controller has no such bus (config.bus)")                                   \
    X(JL_BAD_SIZE, "the glass and its offsets reach past the controller's RAM, or its width is "   \
                   "no multiple of the columns addressed together (config.width, height, "         \
                   "column_offset, row_offset); of cells: no module has so many (config.columns, " \
                   "rows)")                                                                        \
    X(JL_BAD_FORMAT, "the controller cannot take this pixel format on this bus (config.format)")   \
    X(JL_BAD_WIRING, "the expander's outputs are mapped twice, or one that is needed is not "      \
                     "mapped to exactly one bit (config.expander)")                                \
    X(JL_BAD_TURN, "the controller cannot turn or mirror the picture so (config.turn)")            \
    X(JL_BAD_STEPS, "the wake-up sequence is broken (config.wake_steps)")                          \
    X(JL_BAD_FRAME_FORMAT, "the frame has another pixel format than the panel: it must be "        \
                           "config.format, or the controller's own where that is NULL "            \
                           "(jl_panel_frame() makes such a frame)")                                \
    X(JL_BAD_FRAME_SIZE, "the frame has another size than the picture: it must be config.width x " \
                         "config.height, the other way round after a quarter turn "                \
                         "(jl_panel_frame() makes such a frame)")                                  \
    X(JL_NO_MOTION, "the description names no motion that can do it (config.motion)")              \
    X(JL_TOO_WIDE, "the text or number is wider than its place: what fits is shown, or a row of "  \
                   "# for a number")                                                               \
    X(JL_BAD_PORT, "the port lacks an operation that the bus or the description needs (port.ops)") \
    X(JL_CLOCK_TOO_FAST, "the bus clock is above the controller's limit (port.clock_hz)")          \
    X(JL_OUT_OF_RANGE, "out of range for this controller or glass")                                \
    X(JL_TOO_SMALL, "the memory given is too small")                                               \
    X(JL_UNSUPPORTED, "this controller or port cannot do that")                                    \
    X(JL_NOT_AWAKE, "the panel is not awake: wake it first")                                       \
    X(JL_TURNED, "the panel was turned since this was set up: begin it again")                     \
    X(JL_TOO_SOON,                                                                                 \
      "a full update so soon after the last one harms the glass: wait, or ask for it "             \
      "(config.epaper, least_interval_s)")                                                         \
    X(JL_WRONG_PART, "another part answers than the one that was expected: the description names " \
                     "the wrong controller (config.controller)")                                   \
    X(JL_MISREAD, "what was read back is not what was written: look at the data wires and the "    \
                  "clock")                                                                         \
    X(JL_BUSY, "busy: stop the running scroll or transfer first")

#define JL_STATUS_ENUM_ENTRY(name, text) name,
/** Result of a call. The numbers are not part of the interface, the names are. */
typedef enum jl_status { JL_STATUS_LIST(JL_STATUS_ENUM_ENTRY) JL_STATUS_COUNT } jl_status;
#undef JL_STATUS_ENUM_ENTRY

/**
 * English text of a status, without a final full stop.
 *
 * Any value is safe; an unknown one gives "unknown status". The text is
 * constant memory. Callable from any context. Programs that never call it do
 * not carry the texts: it is the only function in its object file.
 */
const char *jl_status_text(jl_status status);

/**
 * Name of a status as it stands in code, such as "JL_NO_ANSWER"; an unknown one gives
 * "unknown". For logs and files that a program reads: texts may be reworded, names stay. Else
 * as jl_status_text().
 */
const char *jl_status_name(jl_status status);

#ifdef __cplusplus
}
#endif

#endif
