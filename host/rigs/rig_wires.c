/* Which wires a rig uses: its own, or those of a panel beside it. */
#include "jadelamp/host/connect.h"
#include "rig_parts.h"

/* SPI with three or four wires; the st7920's serial bus has a CS that would be active while idle.
 */
static bool is_spi(const struct jl_card *card) {
    return card->bus == JL_BUS_SPI || card->bus == JL_BUS_SPI_3WIRE;
}

void jl_host_rig_share(struct jl_rig *rig, struct jl_rig *beside) {
    if (rig->card.bus == JL_BUS_I2C) {
        rig->sim.i2c = beside->sim.i2c;
    } else if (is_spi(&rig->card) && is_spi(&beside->card) &&
               rig->card.spi_mode == beside->card.spi_mode) {
        rig->sim.stream = beside->sim.stream;
        beside->sim.clock_hz = beside->card.clock_hz;
    }
}

bool jl_host_rig_connect(struct jl_rig *rig, struct jl_device *device, uint8_t i2c_address) {
    const struct jl_card *card = &rig->card;
    return jl_connect(&rig->sim, device,
                      &(struct jl_connection){.bus = card->bus,
                                              .i2c_address = i2c_address,
                                              .spi_mode = card->spi_mode,
                                              .clock_hz = card->clock_hz,
                                              .cycle_ns = card->cycle_ns,
                                              .overhead_ns = card->overhead_ns});
}
