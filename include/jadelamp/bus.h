/*
 * How a controller is wired. Each bus is a constant: a program carries the framing of
 * those it names in its panel descriptions, and no other.
 */
#ifndef JADELAMP_BUS_H
#define JADELAMP_BUS_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_panel;
struct jl_panel_config;
struct jl_format;
struct jl_port;
struct jl_transfer;

/** Lines of memory that follow one another on the wire. For the library. */
struct jl_rest {
    const uint8_t *line; /* the first */
    size_t line_bytes;
    size_t lines;
    size_t stride_bytes; /* from line to line */
};

/** The kinds of buses; a controller says which of them it has. */
enum jl_bus_kind {
    JL_BUS_I2C,
    JL_BUS_SPI,       /**< 4-wire: clock, data, CS, D/C; mode 0 or 3, most significant bit first */
    JL_BUS_SPI_3WIRE, /**< clock, data, CS; D/C is a ninth bit in front of each byte */
    JL_BUS_8080_8,    /**< parallel, write strobe WR, D7..D0 */
    JL_BUS_8080_16,   /**< parallel, D15..D0: a 5-6-5 pixel a strobe */
    JL_BUS_6800_8,    /**< parallel, R/W and enable E, D7..D0; bytes are taken as E falls */
    /** the st7920's own: clock, data, CS active high; a sync byte says which, then nibbles */
    JL_BUS_ST7920_SERIAL,
    /** none: pixels are scanned out (scanout.h), and there is no way for a command */
    JL_BUS_RGB,
    JL_BUS_MEMORY_LCD, /**< of memory LCDs: clock, data, CS active high; no D/C */
};

/** What the wires of a bus carry at a time. */
enum jl_wires {
    JL_WIRES_SERIAL,   /**< a bit */
    JL_WIRES_PARALLEL, /**< a byte */
    JL_WIRES_WORD,     /**< 16 bits */
    JL_WIRES_COUNT,
};

/**
 * A bus: how bytes are framed for a kind of wiring. The members are for the library; `kind` and
 * `wires` may be read. All calls get a panel whose port has what check() asked for.
 */
struct jl_bus {
    uint8_t kind;      /**< enum jl_bus_kind: what the controller sees */
    uint8_t wires;     /**< enum jl_wires */
    uint16_t cycle_ns; /**< least clock cycle of the bus itself; 0: the controller's own counts */
    /** What the description and the port must have for this bus, beside a fitting layout. */
    jl_status (*check)(const struct jl_panel *panel);
    /** Sends an opcode and its arguments, or pixels (`data`) from the caller's memory. */
    jl_status (*send)(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count);
    /** Sends lines of pixels, in as few transfers as the bus can. */
    jl_status (*lines)(const struct jl_panel *panel, const struct jl_rest *rest);
    /** Sends one pixel (of 1 to 4 bytes; on I2C one) over and over, total_bytes of it. */
    jl_status (*fill)(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes);
    /**
     * Makes the wires ready for transfers of commands or data from the caller's memory, and
     * writes all of the transfer but the body. So whoever sends the body by the
     * port's start() needs no knowledge of the bus. NULL: this bus repacks bytes as they go
     * out, so that no transfer can be started and left alone.
     */
    void (*begin)(const struct jl_panel *panel, bool data, struct jl_transfer *transfer);
    /** Releases the wires: after begin() and its transfers, and before a wake-up. */
    void (*end)(const struct jl_panel *panel);
};

/** I2C: one control byte, 0x00 or 0x40, in front of commands or data. */
extern const struct jl_bus jl_bus_i2c;
/**
 * I2C for parts that take only one command byte behind a control byte (80h: Co = 1). Each is a
 * transfer of its own, since some do not look for a second control byte. Slower: 29 clocks a
 * command byte. Pixels go as on jl_bus_i2c.
 */
extern const struct jl_bus jl_bus_i2c_single;
/** SPI, 4-wire. */
extern const struct jl_bus jl_bus_spi;
/** The same where CS selects while it is high, as behind an inverter. */
extern const struct jl_bus jl_bus_spi_cs_high;
/**
 * SPI, 3-wire, 9 bits. With the port's send_nine() nothing is copied; else the bits are
 * packed into bytes through the stack, 64 bytes of payload a transfer.
 */
extern const struct jl_bus jl_bus_spi_3wire;
/** 8080, 8 bits: the port's send() strobes one byte at a time. */
extern const struct jl_bus jl_bus_8080_8;
/**
 * 8080, 16 bits: send() gets memory that is aligned to 2 and holds 16-bit words in the
 * processor's own order, one a strobe; body_bytes is even. Frames are jl_rgb565_cpu.
 */
extern const struct jl_bus jl_bus_8080_16;
/** 6800, 8 bits: the port's send() pulses E once a byte, with R/W low. */
extern const struct jl_bus jl_bus_6800_8;
/** The same for controllers that are busy after every byte: each is a transfer, then a wait. */
extern const struct jl_bus jl_bus_6800_8_paced;
/**
 * 8080 of the t6963c, and of no other part: its status is read by the port's receive() before each
 * byte, arguments go in front of their command, and JL_PIN_DC, its C/D, is high for commands.
 * JL_TIMEOUT where it does not become ready.
 */
extern const struct jl_bus jl_bus_t6963c;
/**
 * The serial bus of the st7920, and of no other part: CS active high, the sync byte F8 (commands)
 * or FA (data), then each byte as two, the high nibble first, both in bits 7..4; and a wait,
 * since the controller is busy after every byte. A port that says its clock_hz waits less: bits
 * on the wire count.
 */
extern const struct jl_bus jl_bus_st7920_serial;
/**
 * SPI of memory LCDs, mode 0: CS is high from the first byte of a transaction to its trailing
 * zeros, and there is no D/C.
 */
extern const struct jl_bus jl_bus_memory_lcd;
/** Glass that is scanned out and has no command port. The port must have a display peripheral. */
extern const struct jl_bus jl_bus_rgb;

#ifdef __cplusplus
}
#endif

#endif
