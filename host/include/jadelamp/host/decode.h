/*
 * From wires to bytes: levels of the wires of a bus become STARTs, bytes and selections. Knows the
 * buses (UM10204 for I2C; SPI modes; 8080 and 6800 strobes) and no controller.
 */
#ifndef JADELAMP_HOST_DECODE_H
#define JADELAMP_HOST_DECODE_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/** What a wire is for. */
enum jl_role {
    JL_ROLE_SCL,
    JL_ROLE_SDA,
    JL_ROLE_CS,
    JL_ROLE_DC, /**< A0, RS of parallel buses, too */
    JL_ROLE_CLOCK,
    JL_ROLE_MOSI,
    JL_ROLE_MISO,
    JL_ROLE_WR,
    JL_ROLE_RD,
    JL_ROLE_E,
    JL_ROLE_E2, /**< of a second controller on a character module */
    JL_ROLE_RW,
    JL_ROLE_RESET,
    JL_ROLE_LIGHT,
    JL_ROLE_CHIP1, /**< selects of two or three controllers behind one glass */
    JL_ROLE_CHIP2,
    JL_ROLE_CHIP3,
    JL_ROLE_TOUCH_CS, /**< of a touch controller; its bus, where it is not the display's */
    JL_ROLE_TOUCH_SCL,
    JL_ROLE_TOUCH_SDA,
    JL_ROLE_TOUCH_RESET,
    JL_ROLE_D0, /**< D0..D15 follow each other */
    JL_ROLE_D15 = JL_ROLE_D0 + 15,
    JL_ROLES,
};

/** Sets of roles, and levels of theirs. */
typedef uint64_t jl_role_set;
#define JL_ROLE_BIT(role) ((jl_role_set)1 << (role))

/** The role of a wire, as options and files name it: "scl", "dc", "d0". */
const char *jl_role_name(enum jl_role role);

enum jl_decoding_kind {
    JL_DECODE_I2C,
    JL_DECODE_SPI,  /**< words of 8 bits, D/C on a wire; or of 9 with D/C first */
    JL_DECODE_8080, /**< a byte or word as WR rises */
    JL_DECODE_6800, /**< a byte as E falls */
};

struct jl_decoding {
    enum jl_decoding_kind kind;
    int mode;          /**< of SPI, 0..3 */
    int bits;          /**< of a word: SPI 8 or 9, parallel 4, 8 or 16 */
    bool select_high;  /**< CS selects while it is high */
    bool has_cs;       /**< else the part is always selected */
    uint64_t pulse_ps; /**< shorter ones are glitches, and left out */
};

enum jl_bus_event_kind {
    JL_BUS_START, /**< I2C, repeated ones too */
    JL_BUS_STOP,
    JL_BUS_BYTE, /**< or a word of 16 lines */
    JL_BUS_READ, /**< a byte that the master read */
    JL_BUS_SELECTED,
    JL_BUS_DESELECTED,
    JL_BUS_RESET, /**< level in `high` */
    JL_BUS_LIGHT,
    JL_BUS_CHIP1,
    JL_BUS_CHIP2,
    JL_BUS_CHIP3,
    JL_BUS_DOUBT, /**< `text` */
};

struct jl_bus_event {
    uint64_t at_ps, until_ps; /**< of a byte: from its first bit or strobe to behind its last */
    enum jl_bus_event_kind kind;
    uint16_t value;
    bool has_answer; /**< SPI with MISO: */
    uint8_t answer;  /**< what came there meanwhile */
    bool data;       /**< D/C while its last bit came */
    bool high;       /**< of a pin */
    bool address;    /**< I2C: the first byte behind a START */
    bool refused;    /**< I2C: not acknowledged */
    const char *text;
};

typedef void (*jl_bus_event_fn)(void *context, const struct jl_bus_event *event);

struct jl_decoder;

/** NULL: no memory, or settings that no bus has. */
struct jl_decoder *jl_decoder_create(const struct jl_decoding *decoding, jl_bus_event_fn fn,
                                     void *context);
void jl_decoder_destroy(struct jl_decoder *decoder);

/** A wire has a level from a time on; times do not fall. The first level of a wire is no edge. */
void jl_decoder_level(struct jl_decoder *decoder, uint64_t at_ps, enum jl_role role, bool high);

/** Levels of before that time are all there: what they mean is told, without waiting for the next
 * one. */
void jl_decoder_reach(struct jl_decoder *decoder, uint64_t at_ps);

/**
 * SPI of nine bits: until CS moves, what comes on the data wire is the part's, bytes of eight bits,
 * which are told as JL_BUS_READ. For whoever plays the events to a part, behind the command that it
 * answers.
 *
 * @return false, and of no effect, without CS: nothing would end it
 */
bool jl_decoder_answered(struct jl_decoder *decoder);

/** The capture ends: what is under way comes out, or is doubted. */
void jl_decoder_end(struct jl_decoder *decoder, uint64_t at_ps);

/** Glitches that were left out. */
uint64_t jl_decoder_glitches(const struct jl_decoder *decoder);

#ifdef __cplusplus
}
#endif

#endif
