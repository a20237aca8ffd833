/* Inside the board: the streaming buses. */
#ifndef JADELAMP_SIM_STREAM_H
#define JADELAMP_SIM_STREAM_H

#include "board_parts.h"

/* Bytes or words handed to devices at a time: about a scan line at usual clocks. */
enum { PIECE_UNITS = 64 };

/* How a transfer puts bytes on the wire. */
struct framing {
    bool nine; /* SPI: a ninth bit in front of each byte, */
    bool data; /* and this is it */
};

/* Hands bytes or words to the devices that are selected, at the board's time. */
void jl_sim_stream_deliver(struct jl_stream_bus *bus, const uint8_t *bytes, size_t units,
                           struct framing framing);

/* Whether what is sent now are commands to any of the devices that are selected. */
bool jl_sim_stream_has_commands(const struct jl_stream_bus *bus, struct framing framing);

/* What the selected devices give: eight bits, or what is on 16 lines. */
uint16_t jl_sim_stream_read_unit(struct jl_stream_bus *bus);

/* The edges of a byte or word, from a time on. */
void jl_sim_stream_record_unit(struct jl_stream_bus *bus, const uint8_t *bytes,
                               struct framing framing, uint64_t start);
void jl_sim_stream_record_read(struct jl_stream_bus *bus, uint16_t value, uint64_t start);

/* CS of a device rose: what its shift register holds is lost. */
void jl_sim_stream_deselected(struct jl_device *device);

#endif
