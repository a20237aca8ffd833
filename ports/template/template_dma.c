/*
 * What a port adds to send pixels by DMA, on a made-up channel: start(), poll(), and repeat() for
 * solid fills. Set least_start_bytes in the jl_port to what setting up the channel is worth; 64
 * is a fair start.
 */
#include "template_port.h"

/* Yours: the bits of your DMA and bus controllers. */
#define DMA_ENABLE    0x01u
#define DMA_FIXED     0x02u /* the source address stays where it is */
#define DMA_TO_SPI    0x30u
#define DMA_BUSY      0x80u
#define SPI_IDLE      0x02u
#define DMA_MOST      0xFFFFu /* transfers of a run */
#define BYTES_A_PIXEL 2u

/* Yours: what no transfer can take. A channel that is stuck must not hang the program. */
#define MOST_US 1000000u

static void run(struct template_dma_hardware *hw, const uint8_t *from, size_t count,
                uint32_t flags) {
    hw->started_us = *hw->spi.microseconds;
    hw->dma->source = (uint32_t)(uintptr_t)from;
    hw->dma->count = (uint32_t)count;
    hw->dma->control = DMA_TO_SPI | DMA_ENABLE | flags;
}

static jl_status start(void *context, const struct jl_transfer *t) {
    struct template_dma_hardware *hw = context;
    if (t->body_bytes > DMA_MOST) {
        return JL_UNSUPPORTED; /* set most_body_bytes in the jl_port: then this does not happen */
    }
    /* Yours, where there is a data cache: clean it over the body first. */
    run(hw, t->body, t->body_bytes, 0);
    return JL_OK;
}

/* Two things must be over: the channel has fed its last byte, and the bus has shifted it out. */
static jl_status poll(void *context) {
    struct template_dma_hardware *hw = context;
    if (!(hw->dma->control & DMA_BUSY) && (hw->spi.bus->status & SPI_IDLE)) {
        return JL_OK;
    }
    if (*hw->spi.microseconds - hw->started_us < MOST_US) {
        return JL_BUSY;
    }
    hw->dma->control = 0; /* so that the next transfer finds a free channel */
    return JL_TIMEOUT;
}

/* One 16-bit pixel from a fixed address; other pixels, one after the other. */
static jl_status repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    struct template_dma_hardware *hw = context;
    jl_status status = JL_OK;
    while (times && status == JL_OK) {
        uint32_t now = t->body_bytes != BYTES_A_PIXEL ? 1 : times < DMA_MOST ? times : DMA_MOST;
        if (t->body_bytes == BYTES_A_PIXEL) {
            run(hw, t->body, now, DMA_FIXED);
            do {
                status = poll(context);
            } while (status == JL_BUSY);
        } else {
            status = template_spi_send(&hw->spi, t);
        }
        times -= now;
    }
    return status;
}

const struct jl_port_ops template_spi_dma_ops = {.send = template_spi_send,
                                                 .wait_us = template_wait_us,
                                                 .set_pin = template_set_pin,
                                                 .start = start,
                                                 .poll = poll,
                                                 .repeat = repeat};
