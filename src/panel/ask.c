/* How it stands, as it says itself. */
#include "../core/lone.h"
#include "panel.h"
#include "readback.h"

jl_status jl_panel_ask(struct jl_panel *panel, const struct jl_reading *reading, uint8_t *said) {
    jl_status status = said && reading ? jl_read_check(panel, reading->buses) : JL_BAD_ARGUMENT;
    if (status != JL_OK) {
        return panel ? jl_panel_note(panel, status) : status;
    }
    *said = 0;
    if (panel->state == STATE_SENDING) {
        (void)jl_panel_ready(panel);
    }
    /* On a parallel bus MIPI DCS parts give a dummy byte first (their 0Ah). */
    bool dummy = reading->state_command && jl_config_of(panel)->bus->wires != JL_WIRES_SERIAL;
    uint8_t bytes[2] = {0, 0};
    status = jl_read_bytes(panel, reading->state_command ? reading->state_command : READ_NO_COMMAND,
                           reading->state_command != 0, bytes, dummy ? 2 : 1);
    if (status != JL_OK) {
        return jl_panel_end_call(panel, status);
    }
    uint8_t byte = bytes[dummy];
    if (byte == 0xFF || (byte == 0 && reading->state_command)) {
        return jl_panel_note(panel, JL_NO_ANSWER); /* no state of these parts is all ones */
    }
    byte ^= reading->state_flip;
    for (size_t i = 0; i < sizeof reading->state_bits; i++) {
        if (byte & reading->state_bits[i]) {
            *said = (uint8_t)(*said | 1u << i);
        }
    }
    return JL_OK;
}
