/*
 * Parts put the next bit on MISO with the edge that does not take bits: so the first one of an
 * answer is there half a clock behind the last bit of the question. In modes 0 and 3 bits are taken
 * as the clock rises, in 1 and 2 as it falls.
 */
#include "spi_end.h"

enum { BITS = 8 };

void jl_host_spi_end_begin(struct spi_end *end, struct jl_stream_bus *bus, int mode,
                           bool three_wires) {
    *end = (struct spi_end){
        .bus = bus, .shifts_as_it_rises = mode == 1 || mode == 2, .three_wires = three_wires};
}

static void next_byte(struct spi_end *end) {
    end->taken = end->bit = 0;
    end->drives = end->selected && jl_stream_gives(end->bus, end->unit_ps, &end->byte);
}

void jl_host_spi_end_select(struct spi_end *end, bool selected) {
    end->selected = selected;
    end->asked = false;
    if (end->three_wires) {
        end->drives = false;
    } else if (end->bus) {
        next_byte(end);
    }
}

void jl_host_spi_end_ask(struct spi_end *end) {
    end->asked = end->three_wires && end->selected;
}

void jl_host_spi_end_clock(struct spi_end *end, bool rose) {
    if (!end->bus) {
        return;
    }
    if (end->three_wires && !end->drives) {
        if (end->asked && rose == end->shifts_as_it_rises) {
            end->asked = false;
            next_byte(end);
        }
    } else if (rose != end->shifts_as_it_rises) {
        end->taken++;
    } else if (end->taken >= BITS) {
        next_byte(end);
    } else {
        end->bit = end->taken;
    }
}

bool jl_host_spi_end_drives(const struct spi_end *end, bool *high) {
    *high = end->byte >> (BITS - 1 - end->bit) & 1;
    return end->drives;
}
