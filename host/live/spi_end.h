/* The devices' end of SPI whose wires somebody moves: what they put on MISO, or on the one data
 * wire that there is. */
#ifndef JADELAMP_HOST_SPI_END_H
#define JADELAMP_HOST_SPI_END_H

#include "jadelamp/sim/board.h"

struct spi_end {
    struct jl_stream_bus *bus; /* NULL: there is none */
    bool shifts_as_it_rises;   /* modes 1 and 2 */
    bool three_wires;          /* answers come on MOSI, from a command on until CS moves */
    bool asked;                /* such a command came */
    bool selected, drives;
    uint16_t byte;    /* of ours */
    unsigned taken;   /* bits of a byte, so far */
    unsigned bit;     /* of ours, that is on the wire: 0 is the first */
    uint64_t unit_ps; /* of the byte that was written last */
};

void jl_host_spi_end_begin(struct spi_end *end, struct jl_stream_bus *bus, int mode,
                           bool three_wires);

/* CS, as the devices see it. What was begun and not read is lost. */
void jl_host_spi_end_select(struct spi_end *end, bool selected);

/* An edge of the clock; behind what came with it on MOSI. */
void jl_host_spi_end_clock(struct spi_end *end, bool rose);

/* With three wires: the part was asked something with the word that just ended. */
void jl_host_spi_end_ask(struct spi_end *end);

/* The level on MISO, or on MOSI; false: nobody here drives it. */
bool jl_host_spi_end_drives(const struct spi_end *end, bool *high);

#endif
