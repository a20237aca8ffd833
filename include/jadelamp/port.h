/*
 * The port: the few hardware functions that the user supplies. A table of
 * operations in constant memory, and a context of the user's own, so that two
 * panels on two buses need no globals.
 *
 * ports/template/ is a port to copy; docs/porting.md explains it.
 */
#ifndef JADELAMP_PORT_H
#define JADELAMP_PORT_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Pins beside the bus. Levels are electrical: true is high. */
enum jl_pin {
    JL_PIN_RESET, /**< output, low resets the controller */
    JL_PIN_DC,    /**< output, SPI and parallel: low for a command byte, high for data; the RS of
                     6800 buses and character modules */
    JL_PIN_CS,    /**< output, SPI and 8080: low selects the controller */
    JL_PIN_BUSY,  /**< input, for controllers that have one */
    JL_PIN_TE,    /**< input, tearing effect: high while the controller scans no line */
    JL_PIN_E,     /**< output, character modules: data is taken as it falls */
    JL_PIN_E2,    /**< the same of the second controller of modules with 40 x 4 cells */
    JL_PIN_RW,    /**< output, character modules: while it is high D0..D7 are inputs */
    JL_PIN_LIGHT, /**< output, backlight: high is on; invert it here where a transistor does */
    JL_PIN_TOUCH_RESET, /**< output, low resets a touch controller */
    JL_PIN_TOUCH_CS,    /**< output, low selects a touch controller on SPI */
    JL_PIN_PEN,         /**< input, low while something touches the glass */
    JL_PIN_VCOM,        /**< output, EXTCOMIN of a memory LCD */
    JL_PIN_CHIP1,       /**< output, glass with several controllers: selects the left one; */
    JL_PIN_CHIP2,       /**< the next one. Of modules with an enable for each, whose E is pulsed */
    JL_PIN_CHIP3,       /**< the third one, of ks0108 modules with 192 columns */
    JL_PIN_D0,          /**< D0..D7 follow each other; 4-bit wiring has D4..D7 only */
    JL_PIN_D1,
    JL_PIN_D2,
    JL_PIN_D3,
    JL_PIN_D4,
    JL_PIN_D5,
    JL_PIN_D6,
    JL_PIN_D7,
    /* What hands work, wired to pins of their own: inputs with pull-ups. For jl_key_feed() and
     * jl_knob_feed() (event.h); no driver looks at them. */
    JL_PIN_KEY_OK, /**< low while it is held, as the next three; in the order of jl_key_name */
    JL_PIN_KEY_BACK,
    JL_PIN_KEY_UP,
    JL_PIN_KEY_DOWN,
    JL_PIN_KNOB_A, /**< contacts of a rotary encoder */
    JL_PIN_KNOB_B,
};

/**
 * One transfer: `head`, then at once `body`. Both belong to the caller and are
 * free again when send() returns. Either length may be 0.
 *
 * On I2C it is one transaction: START, address with the write bit, head, body,
 * STOP. On SPI and 8080 the library sets D/C and CS and passes a body only.
 */
struct jl_transfer {
    const uint8_t *head;
    const uint8_t *body;
    size_t head_bytes;
    size_t body_bytes;
    uint8_t i2c_address; /**< 7-bit; meaningful on I2C only */
};

struct jl_scanout_ops;

/** What a port can do. Members marked optional may be NULL. */
struct jl_port_ops {
    /**
     * Sends a transfer and returns when the last bit has left the wire (D/C may
     * change right after). May block; is never called from an interrupt by the
     * library. No partial success: anything but JL_OK means that the controller
     * got an unknown part of it. After an I2C error the port has sent STOP.
     *
     * @return JL_OK; JL_NO_ANSWER (a byte was not acknowledged); JL_TIMEOUT
     *         (the bus stayed busy); JL_BUS_ERROR. Must return in bounded time.
     */
    jl_status (*send)(void *context, const struct jl_transfer *transfer);

    /** Returns after at least this many microseconds. */
    void (*wait_us)(void *context, uint32_t microseconds);

    /** Optional: drives an output. SPI needs it for JL_PIN_DC (and CS unless tied). */
    void (*set_pin)(void *context, enum jl_pin pin, bool high);

    /** Optional: reads an input. Needed by controllers with a BUSY pin, and by busy flags. */
    bool (*get_pin)(void *context, enum jl_pin pin);

    /**
     * Optional: sends the body `times` times over as one transfer. The body is one pixel
     * of 1 to 4 bytes. For solid fills: a DMA channel that does not advance its source,
     * or a loop. Blocks, and returns, as send() does.
     */
    jl_status (*repeat)(void *context, const struct jl_transfer *transfer, uint32_t times);

    /**
     * Optional, for JL_BUS_SPI_3WIRE: sends each body byte as nine bits, the first one
     * being `data`. Blocks, and returns, as send() does.
     */
    jl_status (*send_nine)(void *context, const struct jl_transfer *transfer, bool data);

    /**
     * Optional, together with poll(): starts a transfer and returns at once. The head
     * (constant memory) and the body must not change until poll() says that it is out.
     * Called only when the library has no transfer of this port under way. What is still running
     * after poll() gave up must be stopped first, here as in send().
     *
     * @return JL_OK (started); JL_BUSY (nothing was started, for now: the channel is another's;
     *         it is tried again); or an error: nothing was started
     */
    jl_status (*start)(void *context, const struct jl_transfer *transfer);

    /**
     * Optional, together with start(). @return JL_BUSY while the transfer is under way;
     * JL_OK when its last bit has left the wire (D/C and CS may change right after); or
     * its error. Must not block, and may not be busy for ever: JL_TIMEOUT after some number of
     * calls, or ports with now_us() leave that to the library (async.h).
     */
    jl_status (*poll)(void *context);

    /**
     * Optional, for touch and for reading panels (readback.h): sends the transfer, then reads. On
     * I2C the read follows a repeated START, the last byte is not acknowledged, and without head
     * and body there is the read alone. On SPI the clock goes on for `count` bytes, and what comes
     * in meanwhile is kept; what comes in during the transfer is not; where there is one data wire
     * only, it is an input meanwhile. On 8080 and 6800 the data wires are inputs, and RD (E with
     * R/W high) is pulsed `count` times; on 16 lines D7..D0 count. D/C and CS stay as they are.
     * Blocks, and returns, as send() does.
     */
    jl_status (*receive)(void *context, const struct jl_transfer *transfer, uint8_t *bytes,
                         size_t count);

    /** Optional, for light.h: the share of time that an output is high, of 65535. */
    void (*set_duty)(void *context, enum jl_pin pin, uint16_t duty);

    /** Optional: a counter of microseconds that wraps at 2^32. For beam.h, and limits of time. */
    uint32_t (*now_us)(void *context);

    /** Optional: the display peripheral of glass that is scanned out (scanout.h). Its calls get
     * the port's context, too. */
    const struct jl_scanout_ops *scanout;
};

/** A port: keep it, its operations and its context alive as long as the panel. */
struct jl_port {
    const struct jl_port_ops *ops;
    void *context;
    /**
     * Most body bytes in one transfer, for bus drivers with a fixed buffer;
     * 0 is no limit. Longer pictures are split, each part with its own head.
     */
    uint16_t most_body_bytes;
    /**
     * Transfers of fewer bytes than this block even where start() could send them: setting up
     * a DMA channel costs about as much as some tens of bytes take.
     */
    uint16_t least_start_bytes;
    /**
     * The caller's memory, or NULL, that saves transfers on SPI and 8080: solid fills without
     * repeat() are sent from it (else from 192 bytes of the stack), and lines of areas narrower
     * than the picture are gathered in it (else each is a transfer). A few hundred bytes help.
     * Aligned to 2 on a 16-bit bus.
     */
    uint8_t *work_memory;
    uint16_t work_memory_bytes;
    /** The clock that the bus runs at, Hz, or 0: not known. For jl_panel_check_clock(). */
    uint32_t clock_hz;
};

/** Marks address `a` (0x00..0x7F) as found in a jl_scan_i2c() result. */
#define JL_SCAN_FOUND(map, a) ((((map)[(a) >> 3]) >> ((a)&7)) & 1)

/**
 * Asks every I2C address from 0x08 to 0x77 (the others are reserved by the I2C
 * specification, UM10204 section 3.1.12) whether somebody acknowledges, with an
 * empty write.
 *
 * @param found 16 bytes, the caller's: one bit an address, read with JL_SCAN_FOUND()
 * @return JL_OK (also when nobody answered); JL_BAD_ARGUMENT; or the port's
 *         first status other than JL_OK and JL_NO_ANSWER, with found holding
 *         what was seen until then
 */
JL_MUST_CHECK
jl_status jl_scan_i2c(const struct jl_port *port, uint8_t found[16]);

#ifdef __cplusplus
}
#endif

#endif
