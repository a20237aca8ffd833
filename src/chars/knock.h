/* The begin and the end of a wake-up, in the programs of both ways to wake a module. */
#ifndef JADELAMP_SRC_KNOCK_H
#define JADELAMP_SRC_KNOCK_H

#include "cells.h"

/* HD44780U datasheet, figures 23 and 24; 40 ms is for a supply that has just reached 2.7 V. */
static inline jl_status jl_char_knock(struct jl_char_panel *panel) {
    const struct jl_char_wire *wire = jl_cells_of(panel)->wire;
    const struct jl_port *port = panel->port;
    port->ops->wait_us(port->context, 40000);
    jl_status status = wire->rest(panel);
    /* An enable that was still high has perhaps made the controller do something. */
    port->ops->wait_us(port->context, JL_CHAR_LONG_US);
    uint16_t knocked_us = 4100;
    for (uint8_t i = 0; i < 3 && status == JL_OK; i++) {
        status = wire->knock(panel, (JL_CHAR_FUNCTION | JL_CHAR_8_BITS) >> 4);
        port->ops->wait_us(port->context, knocked_us);
        knocked_us = 100;
    }
    if (status == JL_OK && !wire->eight_bits) {
        status = wire->knock(panel, JL_CHAR_FUNCTION >> 4);
        port->ops->wait_us(port->context, JL_CHAR_US);
    }
    return status;
}

/* The description's own characters, and the address of text behind them. */
static inline jl_status jl_char_define_glyphs(struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    jl_status status = JL_OK;
    for (uint8_t i = 0; i < config->glyph_count && status == JL_OK; i++) {
        /* The address runs on from one glyph to the next. */
        uint8_t command = i ? 0 : JL_CHAR_CGRAM;
        status = jl_char_send(panel, jl_char_all(panel), command, config->glyphs[i].rows, 8);
    }
    return status == JL_OK && config->glyph_count ? jl_char_close_cgram(panel) : status;
}

#endif
