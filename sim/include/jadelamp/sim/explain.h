/*
 * What the bytes of a controller's traffic mean, in words: its commands with their arguments, and
 * how much data follows. Works on bytes alone; no board is needed.
 */
#ifndef JADELAMP_SIM_EXPLAIN_H
#define JADELAMP_SIM_EXPLAIN_H

#include "jadelamp/sim/emulators.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_EXPLAIN_ARGUMENTS = 160 };

/** A command with its arguments, or data. */
struct jl_explained {
    uint64_t at_ps, until_ps; /**< from its first byte to its last */
    bool is_data;
    uint8_t opcode;
    const char *name; /**< as the datasheet has it; NULL: the part has no such command */
    uint8_t arguments[JL_EXPLAIN_ARGUMENTS];
    size_t count;          /**< of arguments, or bytes of data; of both the first ones are there */
    bool answers;          /**< the part gives what the arguments are, and nobody sends them */
    int missing;           /**< arguments that did not come */
    const char *reading;   /**< how jl_explain_words() reads it; NULL: arguments in hexadecimal */
    const uint8_t *begins; /**< the first bytes of data, up to 16 */
};

typedef void (*jl_explained_fn)(void *context, const struct jl_explained *explained);

/** Reads on, byte by byte. Members are its own. */
struct jl_explainer {
    const struct jl_emulated_part *part;
    jl_explained_fn fn;
    void *context;
    struct jl_explained now;
    uint8_t first_data[16];
    int least, most; /* arguments of the command under way */
    bool under_way, pixels, extended, index_half, mode_due, mode_writes;
    bool command_due, writing; /* arguments came in front of their command; behind auto write */
    /* framing: a control byte on I2C; sync bytes and nibbles; nibbles on 4 lines */
    bool control_due, control_one, control_data, synced, nibble_due, four_lines;
    uint8_t nibble;
};

/** Each command goes to `fn` when the next byte shows that it is complete. */
void jl_explain_begin(struct jl_explainer *explainer, const struct jl_emulated_part *part,
                      jl_explained_fn fn, void *context);

/** A byte with D/C low (a command, or its argument) or high. */
void jl_explain_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                     uint8_t byte, bool data);

/** The same of 16 lines: commands and their arguments are on D7 to D0, pixels on all. */
void jl_explain_lines_16(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                         uint16_t word, bool data);

/** A step of a sequence: an opcode, and what belongs to it, as the part wants them sent. */
void jl_explain_step(struct jl_explainer *explainer, const uint8_t *bytes, size_t count);

/** Whether programs read the part's status, with D/C high, before each byte. */
bool jl_explain_polls(const struct jl_emulated_part *part);

/** A transfer begins on I2C, its address is through: the next byte is a control byte. */
void jl_explain_i2c_start(struct jl_explainer *explainer);
void jl_explain_i2c_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                         uint8_t byte);

/** CS of a memory LCD rises: the next byte is a mode, and what follows belongs to it. */
void jl_explain_mode_start(struct jl_explainer *explainer);
void jl_explain_mode_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                          uint8_t byte);

/** A byte of the st7920's serial bus: sync bytes, and nibbles behind them. */
void jl_explain_synced_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                            uint8_t byte);

/** What is under way ends: the part is deselected for long, reset, or the traffic ends. */
void jl_explain_end(struct jl_explainer *explainer);

/** Whether the command under way has all its arguments, or none is; data always have. */
bool jl_explain_is_whole(const struct jl_explainer *explainer);

/** The command or data under way; NULL: none is. */
const struct jl_explained *jl_explain_under_way(const struct jl_explainer *explainer);

/** A command by its name, however it is spaced and capitalized. */
struct jl_named_command {
    uint8_t opcode;
    int least, most; /**< arguments */
};

/** False: the part has no command of that name, or several opcodes have it. */
bool jl_explain_find(const struct jl_emulated_part *part, const char *name,
                     struct jl_named_command *command);

enum { JL_WORDED_ARGUMENTS = 8 };

/** A command whose arguments were words. */
struct jl_worded_command {
    uint8_t bytes[1 + JL_WORDED_ARGUMENTS];
    size_t count;
    uint8_t unsaid[1 + JL_WORDED_ARGUMENTS]; /**< bits that the words do not say; 0 in `bytes` */
};

/**
 * A command by its name, and its arguments as jl_explain_words() has them: "multiplex ratio 64
 * rows", "set_pixel_format 16 bits a pixel". False: there is no such one, or several are.
 */
bool jl_explain_read(const struct jl_emulated_part *part, const char *text,
                     struct jl_worded_command *worded);

/** The names that are nearest to one, up to three: "a, b or c"; empty: the part has none. */
const char *jl_explain_nearest(const struct jl_emulated_part *part, const char *name, char *out,
                               size_t size);

/** Bytes of an opcode where a part takes arguments with D/C high, as it takes data; 0: it takes all
 * with D/C low. */
int jl_explain_opcode_bytes(const struct jl_emulated_part *part);

/** Whether what comes now is read: the command under way asks the part. */
bool jl_explain_reads(const struct jl_explainer *explainer);

/** The arguments in words and units, such as "columns 0 to 127"; "" where there is nothing to say.
 * Returns `out`. */
const char *jl_explain_words(const struct jl_explained *explained, char *out, size_t size);

#ifdef __cplusplus
}
#endif

#endif
