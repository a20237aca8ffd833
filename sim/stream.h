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
void stream_deliver(struct jl_stream_bus *bus, const uint8_t *bytes, size_t units,
                    struct framing framing);

/* What the selected devices give, eight bits of it. */
uint8_t stream_read_unit(struct jl_stream_bus *bus);

/* The edges of a byte or word, from a time on. */
void stream_record_unit(struct jl_stream_bus *bus, const uint8_t *bytes, struct framing framing,
                        uint64_t start);
void stream_record_read(struct jl_stream_bus *bus, uint8_t byte, uint64_t start);

/* When the byte of a DMA transfer that is on the wire began; UINT64_MAX: there is none. */
uint64_t stream_begun_ps(const struct jl_stream_bus *bus);

/* The earliest time at which a piece of the DMA transfer under way is through. */
uint64_t stream_next_ps(const struct jl_stream_bus *bus);

/* Hands over what the wire has taken by then. */
void stream_deliver_until(struct jl_stream_bus *bus, uint64_t until_ps);

/* CS of a device rose: what its shift register holds is lost. */
void stream_deselected(struct jl_device *device);

void stream_free(struct jl_stream_bus *bus);

#endif
