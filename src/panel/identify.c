/*
 * Who it is. The identities of MIPI DCS parts are 24 bits: behind 04h (read_display_ID, which the
 * makers of modules may set) or D3h (the maker's own). Both are asked, so that a part of another
 * kind is not taken for none.
 */
#include "../core/lone.h"
#include "panel.h"
#include "readback.h"
#include "reset.h"

enum { ASK_ID = 0x04, ASK_MAKERS_ID = 0xD3, ANSWER_BYTES = 4 };

#define ID_BITS 0xFFFFFFu

/* Bits in front of the identity: a byte, but on SPI one clock behind 04h. */
static uint8_t dummy_bits(const struct jl_panel *panel, uint8_t command) {
    return jl_config_of(panel)->bus->wires == JL_WIRES_SERIAL && command == ASK_ID ? 1 : 8;
}

static jl_status ask(struct jl_panel *panel, uint8_t command, uint32_t *bits) {
    uint8_t bytes[ANSWER_BYTES];
    jl_status status = jl_read_bytes(panel, command, true, bytes, sizeof bytes);
    *bits = status == JL_OK ? (uint32_t)bytes[0] << 24 | (uint32_t)bytes[1] << 16 |
                                  (uint32_t)bytes[2] << 8 | bytes[3]
                            : 0;
    return status;
}

static bool holds(uint32_t bits, uint32_t id) {
    for (uint8_t behind = 0; behind <= 8; behind++) {
        if ((bits >> behind & ID_BITS) == id) {
            return true;
        }
    }
    return false;
}

jl_status jl_panel_identify(struct jl_panel *panel, const struct jl_reading *reading,
                            uint32_t *id) {
    jl_status status = reading ? jl_read_check(panel, reading->buses) : JL_BAD_ARGUMENT;
    if (status == JL_OK && !reading->id_command) {
        status = JL_UNSUPPORTED;
    }
    if (id) {
        *id = 0;
    }
    if (status != JL_OK) {
        return panel ? jl_panel_note(panel, status) : status;
    }
    if (panel->state == STATE_OPEN) {
        jl_config_of(panel)->bus->end(panel);
        if (jl_config_of(panel)->module & JL_MODULE_RESET_WIRED) {
            jl_reset(panel);
        }
    } else if (panel->state == STATE_SENDING) {
        (void)jl_panel_ready(panel);
    }
    uint32_t found = 0;
    for (uint8_t i = 0; i < 2; i++) {
        static const uint8_t commands[] = {ASK_ID, ASK_MAKERS_ID};
        uint32_t bits;
        status = ask(panel, commands[i], &bits);
        if (status != JL_OK) {
            return jl_panel_end_call(panel, status);
        }
        uint32_t answer = bits >> (8 - dummy_bits(panel, commands[i])) & ID_BITS;
        if (commands[i] == reading->id_command && holds(bits, reading->id)) {
            found = reading->id;
            break;
        }
        if (answer != 0 && answer != ID_BITS) {
            found = answer;
        }
    }
    if (id) {
        *id = found;
    }
    return jl_panel_note(panel, found == reading->id ? JL_OK
                                : found              ? JL_WRONG_PART
                                                     : JL_NO_ANSWER);
}
