/* A rig whose glass is scanned out. */
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/connect.h"
#include "rig_parts.h"

/* Pictures that a present waits for at most: the next vertical sync comes before. */
enum { MOST_ASKS = 1000000 };

static struct jl_rgb_porches porches_of(const struct jl_porches *porches) {
    return (struct jl_rgb_porches){porches->sync, porches->back, porches->front};
}

static struct jl_rgb_timing timing_of(const struct jl_scanout_config *config) {
    return (struct jl_rgb_timing){.width = config->width,
                                  .height = config->height,
                                  .clock_hz = config->clock_hz,
                                  .line = porches_of(&config->line),
                                  .picture = porches_of(&config->picture),
                                  .hsync_high = (config->flags & JL_SCANOUT_HSYNC_HIGH) != 0,
                                  .vsync_high = (config->flags & JL_SCANOUT_VSYNC_HIGH) != 0,
                                  .de_low = (config->flags & JL_SCANOUT_DE_LOW) != 0,
                                  .falling = (config->flags & JL_SCANOUT_FALLING) != 0};
}

struct jl_rgb_source jl_rig_rgb_source(const struct jl_card *card) {
    const struct jl_card_memory *memory = &card->scanout.memory;
    struct jl_rgb_source source = {.timing = timing_of(&card->scanout.config),
                                   .drives_de = true,
                                   .drives_syncs = true,
                                   .data_lines = card->scanout.host_lines,
                                   .bits_per_pixel = card->format->bits_per_pixel,
                                   .memory_bytes_s = memory->bytes_s,
                                   .fifo_bytes = (int)memory->fifo_bytes,
                                   .refill_bytes_s = memory->refill_bytes_s};
    /* Data changes at the edge that the glass does not look at. */
    source.timing.falling = !source.timing.falling;
    return source;
}

struct jl_rgb_panel jl_rig_rgb_panel(const struct jl_card *card) {
    const struct jl_scanout_config *config = &card->scanout.config;
    int lines = config->data_lines;
    struct jl_rgb_panel panel = {.timing = timing_of(config),
                                 .by_syncs = (config->flags & JL_SCANOUT_SYNC) != 0,
                                 .least_hz = config->least_hz,
                                 .most_hz = config->most_hz,
                                 .bits = {lines / 3, lines / 3, lines / 3}};
    panel.bits[1] += lines == 16; /* 5-6-5 */
    for (int c = 0; c < 3; c++) {
        for (int bit = 0; bit < 8; bit++) {
            panel.wires[c][bit] = card->scanout.wires[c][bit];
        }
    }
    return panel;
}

static size_t frame_bytes(const struct jl_card *card) {
    return (size_t)card->width * (size_t)card->height * card->format->bits_per_pixel / 8;
}

/* Where the pieces of the one allocation begin. */
static uint8_t *second_of(struct jl_rig *rig) {
    return rig->pixels + frame_bytes(&rig->card);
}

static bool build(struct jl_rig *rig, const struct jl_card *glass) {
    struct jl_glass shape = {.width = glass->width,
                             .height = glass->height,
                             .kind = JL_GLASS_TFT,
                             .round = glass->round,
                             .light_wired = (glass->module & JL_MODULE_LIGHT_WIRED) != 0};
    struct jl_rgb_source source = jl_rig_rgb_source(&rig->card);
    struct jl_rgb_panel panel = jl_rig_rgb_panel(glass);
    rig->device = jl_board_add_device(rig->board, glass->controller->emulator, glass->name, &shape);
    if (!rig->device) {
        return false;
    }
    rig->sim.device = rig->device;
    rig->sim.frame_bytes = frame_bytes(&rig->card);
    rig->sim.rgb = jl_board_add_rgb(rig->board, &source, rig->device, &panel);
    bool has_port = glass->scanout.command_hz != 0 && rig->card.scanout.command_hz != 0;
    const struct jl_connection connection = {.bus = JL_BUS_SPI_3WIRE,
                                             .clock_hz = rig->card.scanout.command_hz};
    return rig->sim.rgb && (!has_port || jl_connect(&rig->sim, rig->device, &connection));
}

bool jl_host_rig_open_scanned(struct jl_rig *rig, const struct jl_card *glass,
                              struct jl_complaint *complaint) {
    const struct jl_card *card = &rig->card;
    size_t bytes = frame_bytes(card);
    rig->controller = *card->controller->driver;
    rig->controller.rare_step =
        rig->controller.rare_step ? rig->controller.rare_step : jl_rare_step;
    rig->config =
        (struct jl_panel_config){.controller = &rig->controller,
                                 .bus = card->scanout.command_hz ? &jl_bus_spi_3wire : &jl_bus_rgb,
                                 .width = (int16_t)card->width,
                                 .height = (int16_t)card->height,
                                 .module = card->module,
                                 .inverted = card->inverted,
                                 .wake_steps = card->has_wake ? card->wake_steps : NULL,
                                 .wake_steps_bytes = card->wake_bytes};
    rig->port.ops = card->scanout.command_hz ? &jl_sim_port_rich_ops : &jl_sim_port_ops;
    rig->pixels = calloc(2, bytes);
    bool built = rig->pixels && build(rig, glass);
    jl_status status = built ? jl_panel_open(&rig->panel, &rig->config, &rig->port) : JL_OK;
    if (built && status == JL_OK) {
        /* Until it is woken: what a picture will be drawn on. */
        status = card->format == &jl_palette8
                     ? jl_frame_init_palette(&rig->frame, card->format, jl_rig_palette(),
                                             (int16_t)card->width, (int16_t)card->height,
                                             rig->pixels, bytes)
                     : jl_frame_init(&rig->frame, card->format, (int16_t)card->width,
                                     (int16_t)card->height, rig->pixels, bytes);
    }
    if (built && status == JL_OK) {
        jl_target_turn(&rig->frame.target, card->turn);
        return jl_host_rig_open_touch(rig, complaint);
    }
    return jl_complain(complaint, "cannot build the board for %s: %s", card->name,
                       built ? jl_status_text(status) : "no memory, or no such glass");
}

const jl_color *jl_rig_palette(void) {
    static jl_color colors[256]; /* the same in each run: 3 bits of red and green, 2 of blue */
    for (unsigned n = 0; n < 256; n++) {
        colors[n] = JL_RGB((n >> 5) * 255 / 7, (n >> 2 & 7) * 255 / 7, (n & 3) * 85);
    }
    return colors;
}

/* ---- waking, drawing, presenting ---- */

static jl_status begin_scan(struct jl_rig *rig) {
    const struct jl_card *card = &rig->card;
    const struct jl_scanout_config *config = &card->scanout.config;
    enum jl_card_buffers buffers = card->scanout.memory.buffers;
    size_t bytes = frame_bytes(card);
    int16_t rows = card->scanout.memory.rows;
    if (buffers == JL_BUFFERS_LINES) {
        size_t of_rows = bytes / (size_t)card->height * (size_t)rows;
        return jl_scanout_lines_open(&rig->lines, config, &rig->port, card->format, rows,
                                     jl_scanout_from_frame, &rig->frame, second_of(rig),
                                     second_of(rig) + of_rows, of_rows);
    }
    void *second = buffers == JL_BUFFERS_TWO ? second_of(rig) : NULL;
    jl_status status = card->format == &jl_palette8
                           ? jl_scanout_open_palette(&rig->scanout, config, &rig->port,
                                                     jl_rig_palette(), rig->pixels, second, bytes)
                           : jl_scanout_open(&rig->scanout, config, &rig->port, card->format,
                                             rig->pixels, second, bytes);
    jl_target_turn(&rig->scanout.frame.target, card->turn);
    return status;
}

jl_status jl_rig_wake(struct jl_rig *rig) {
    if (rig->card.cells.bus) {
        return rig->card.has_wake
                   ? jl_char_wake_by(&rig->cells, rig->card.wake_steps, rig->card.wake_bytes)
                   : jl_char_wake(&rig->cells);
    }
    jl_status status = jl_panel_wake(&rig->panel);
    /* Once: the peripheral goes on by itself. */
    if (status == JL_OK && rig->sim.rgb && !rig->scanout.port && !rig->lines.port) {
        status = begin_scan(rig);
    }
    return status;
}

struct jl_frame *jl_rig_frame(struct jl_rig *rig) {
    return rig->scanout.port ? &rig->scanout.frame : &rig->frame;
}

jl_status jl_rig_present(struct jl_rig *rig) {
    if (!rig->sim.rgb) {
        return jl_panel_present(&rig->panel, &rig->frame);
    }
    if (!rig->scanout.port) { /* line buffers read the frame by themselves */
        return rig->lines.port ? JL_OK : JL_NOT_AWAKE;
    }
    jl_status status = jl_scanout_present(&rig->scanout);
    for (int asks = 0; asks < MOST_ASKS && status == JL_OK; asks++) {
        if (jl_scanout_poll(&rig->scanout) != JL_BUSY) {
            return JL_OK;
        }
    }
    return status == JL_OK ? JL_TIMEOUT : status;
}
