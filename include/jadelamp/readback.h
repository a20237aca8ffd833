/*
 * What the controller answers, on buses that can be read: who it is, how it stands, and whether
 * the wires carry what is sent. For bring-up and production tests; programs that call none of it
 * carry none of it.
 *
 *   uint32_t id;
 *   if (jl_panel_identify(&panel, &jl_ili9341_reading, &id) == JL_WRONG_PART) {
 *       log("this is not an ili9341 but %s", jl_part_of_id(id));
 *   }
 *
 * The port needs receive(). On SPI the data comes on a wire of its own (MISO, SDO), or on the one
 * data wire, which the port turns round for the time of receive(). Parts are read slower than they
 * are written: MIPI DCS parts at 150 ns a bit on SPI, 450 ns a strobe on 8080 (datasheets, serial
 * and parallel read cycle); receive() sets that clock.
 *
 * All calls block, wait for a transfer under way, and may not come from an interrupt. They return,
 * beside what stands with each:
 *   JL_BAD_ARGUMENT  NULL
 *   JL_NOT_AWAKE     not open; or not awake, where that is needed
 *   JL_UNSUPPORTED   this controller cannot be read so on this bus
 *   JL_BAD_PORT      the port has no receive(), or on SPI with 3 wires no send_nine()
 *   JL_NO_ANSWER     nobody drives the wires: only zeros or only ones came
 *   the port's       passed on as it is; the panel must be woken again then
 */
#ifndef JADELAMP_READBACK_H
#define JADELAMP_READBACK_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** What a controller says of itself. Add up. Parts say what they have bits for. */
enum jl_said {
    JL_SAID_ON = 1 << 0,      /**< the display is switched on */
    JL_SAID_AWAKE = 1 << 1,   /**< it is out of sleep */
    JL_SAID_BOOSTED = 1 << 2, /**< its voltage booster runs */
    JL_SAID_IDLE = 1 << 3,    /**< 8 colours */
    JL_SAID_PARTIAL = 1 << 4, /**< some rows only */
};

/** How a controller is read: a constant in flash, with the driver of the part. The members are for
 * the library. */
struct jl_reading {
    uint8_t buses;           /* that can be read, bit (1 << enum jl_bus_kind) for each */
    uint8_t memory_buses;    /* of them, where the memory can be read */
    uint8_t id_command;      /* 04h or D3h (MIPI DCS); 0: it has no identity */
    uint8_t state_command;   /* 0: a status register, read with D/C low */
    uint8_t state_flip;      /* bits that mean the contrary */
    uint8_t state_bits[5];   /* for each of enum jl_said, or 0: it does not say */
    uint8_t memory_command;  /* 0: none; a dummy byte comes first in any case */
    bool memory_in_six_bits; /* pixels are read as three bytes, whatever they are written in */
    uint32_t id;             /* 24 bits */
};

/**
 * Asks who it is: 24 bits of the MIPI DCS parts, by 04h or D3h. A panel that is not awake is reset
 * first, where the pin is wired. Accepts any number of dummy bits up to 8 in front of the right
 * answer, since parts differ.
 *
 * @param id receives the answer, also when it is another one; may be NULL
 * @return JL_OK: it is the part of `reading`; JL_WRONG_PART: another one, jl_part_of_id(*id)
 */
JL_MUST_CHECK
jl_status jl_panel_identify(struct jl_panel *panel, const struct jl_reading *reading, uint32_t *id);

/** The part number that an answer stands for, or NULL: not known. Constant memory. */
const char *jl_part_of_id(uint32_t id);

/**
 * Asks how it stands (0Ah of MIPI DCS parts; the status of OLED and LCD parts, on I2C, too). After
 * a wake-up that arrived, MIPI DCS parts say on, awake and boosted, and the others say on.
 *
 * @param said receives a sum of enum jl_said
 * @return JL_OK
 */
JL_MUST_CHECK
jl_status jl_panel_ask(struct jl_panel *panel, const struct jl_reading *reading, uint8_t *said);

/** What jl_panel_test_wires() found. Of a parallel bus bit N is wire DN. */
struct jl_wire_test {
    uint16_t bytes;      /**< that were compared */
    uint16_t wrong;      /**< of them came back as something else */
    uint8_t wrong_bits;  /**< bits of written bytes that came back otherwise */
    uint8_t always_low;  /**< wires that were 0 in all that was read; of TFT parts D2..D7 only */
    uint8_t always_high; /**< and that were 1 */
};

/**
 * Writes patterns into the controller's memory, reads them back and compares: 16 pixels at the left
 * of up to 4 lines of the picture (of pages, where bytes are vertical), which is spoiled; the next
 * present sends everything. The panel must be awake. Uses about 150 bytes of stack.
 *
 * @param result may be NULL
 * @return JL_OK: all came back as it was written; JL_MISREAD: look at the result, the wires and
 *         the clock
 */
JL_MUST_CHECK
jl_status jl_panel_test_wires(struct jl_panel *panel, const struct jl_reading *reading,
                              struct jl_wire_test *result);

#ifdef __cplusplus
}
#endif

#endif
