/* From a card to a running panel on a simulated board. */
#include "jadelamp/host/rig.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/connect.h"
#include "rig_parts.h"

/* Fixed, so that two runs show the same noise. */
#define NOISE_SEED 0x48455251u

/* Of a transfer that is worth setting up DMA for. */
#define LEAST_START_BYTES 64

static struct jl_glass glass_of(const struct jl_card *card) {
    const struct jl_panel_config described = {.width = (int16_t)card->width,
                                              .height = (int16_t)card->height,
                                              .column_offset = (int16_t)card->column_offset,
                                              .row_offset = (int16_t)card->row_offset,
                                              .module = card->module};
    struct jl_glass glass = jl_glass_described(&described, card->glass_kind);
    glass.round = card->round;
    glass.ram_width = card->ram_width;
    glass.ram_height = card->ram_height;
    return glass;
}

/* The device of a card, at the end of the wires that the rig's card has. */
static bool build_board(struct jl_rig *rig, const struct jl_card *card) {
    struct jl_glass glass = glass_of(card);
    const struct jl_card *program = &rig->card; /* another one's, where glass is exchanged */
    rig->device = jl_board_add_device(rig->board, card->controller->emulator, card->name, &glass);
    if (!rig->device) {
        return false;
    }
    jl_device_intend(rig->device, program->turn & JL_TURN_MIRROR, program->inverted);
    if (card->works_up_to) {
        jl_device_tolerates(rig->device, 1000000000000u / card->works_up_to);
    }
    return jl_host_rig_connect(rig, rig->device, card->i2c_address);
}

static const struct jl_bus *bus_of(const struct jl_card *card) {
    static const struct jl_bus *const buses[] = {
        [JL_BUS_I2C] = &jl_bus_i2c,
        [JL_BUS_SPI] = &jl_bus_spi,
        [JL_BUS_SPI_3WIRE] = &jl_bus_spi_3wire,
        [JL_BUS_8080_8] = &jl_bus_8080_8,
        [JL_BUS_8080_16] = &jl_bus_8080_16,
        [JL_BUS_6800_8] = &jl_bus_6800_8,
        [JL_BUS_ST7920_SERIAL] = &jl_bus_st7920_serial,
        [JL_BUS_MEMORY_LCD] = &jl_bus_memory_lcd,
    };
    bool paced = card->bus == JL_BUS_6800_8 && card->controller->driver->byte_us;
    return card->controller->own_bus ? card->controller->own_bus
           : paced                   ? &jl_bus_6800_8_paced
                                     : buses[card->bus];
}

/* The card may strap the RAM to another size, and may wait for a BUSY pin. */
static struct jl_controller controller_of(const struct jl_card *card) {
    struct jl_controller controller = *card->controller->driver;
    if (card->ram_width) {
        controller.ram_width = (int16_t)card->ram_width;
        controller.ram_height = (int16_t)card->ram_height;
    }
    if (!controller.rare_step) {
        controller.rare_step = jl_rare_step;
    }
    return controller;
}

static struct jl_panel_config config_of(const struct jl_rig *rig) {
    const struct jl_card *card = &rig->card;
    return (struct jl_panel_config){
        .controller = &rig->controller,
        .bus = bus_of(card),
        .format = card->format,
        .width = (int16_t)card->width,
        .height = (int16_t)card->height,
        .column_offset = (int16_t)card->column_offset,
        .row_offset = (int16_t)card->row_offset,
        .i2c_address = card->i2c_address,
        .module = card->module,
        .turn = card->controller->driver->paper ? JL_TURN_0 : card->turn,
        .contrast = card->contrast,
        .inverted = card->inverted,
        .wake_steps = card->has_wake ? card->wake_steps : NULL,
        .wake_steps_bytes = card->wake_bytes,
        .epaper = &rig->paper,
    };
}

/* Waveforms for what the part does not do by itself. */
static struct jl_epaper_config paper_of(const struct jl_card *card) {
    const struct jl_catalog_entry *part = card->controller;
    bool red = card->glass_kind == JL_GLASS_PAPER_RED;
    return (struct jl_epaper_config){
        .full_wave = card->format == &jl_grey2_planes ? part->grey_wave : NULL,
        .partial_wave = red ? part->red_partial_wave : part->partial_wave};
}

static size_t frame_bytes(const struct jl_format *format, int16_t width, int16_t height) {
    size_t rows = (size_t)1 << format->line_rows_log2;
    size_t lines = ((size_t)height + rows - 1) / rows;
    return format->planes * lines * (((size_t)width * rows * format->bits_per_pixel + 7) / 8);
}

static bool open_dots(struct jl_rig *rig, const struct jl_card *glass,
                      struct jl_complaint *complaint) {
    const struct jl_card *card = &rig->card;
    rig->controller = controller_of(card);
    rig->paper = paper_of(card);
    rig->config = config_of(rig);
    bool paper = rig->controller.paper != NULL;
    bool on_side = (card->turn & 1) && !paper;
    int16_t width = (int16_t)(on_side ? card->height : card->width);
    int16_t height = (int16_t)(on_side ? card->width : card->height);
    size_t bytes = frame_bytes(card->format, width, height);
    rig->pixels = malloc(bytes);
    jl_status status = JL_OK;
    bool built = rig->pixels && build_board(rig, glass);
    if (built) {
        status = jl_frame_init(&rig->frame, card->format, width, height, rig->pixels, bytes);
    }
    if (built && status == JL_OK) {
        jl_frame_track(&rig->frame, &rig->damage);
        status = jl_panel_open(&rig->panel, &rig->config, &rig->port);
    }
    if (built && status == JL_OK && paper) {
        status = jl_epaper_begin(&rig->epaper, &rig->panel);
        jl_target_turn(&rig->frame.target, card->turn);
    }
    if (!built && strcmp(glass->name, card->name) != 0) {
        return jl_complain(complaint, "the bus of %s does not reach the %s of %s", card->name,
                           glass->controller->name, glass->name);
    }
    if (built && status == JL_OK) {
        return jl_host_rig_open_touch(rig, complaint);
    }
    return jl_complain(complaint, "cannot build the board for %s: %s", card->name,
                       built ? jl_status_text(status)
                             : "the bus, the address or the glass does not fit the controller");
}

static bool open_on(struct jl_rig *rig, const struct jl_card *card, const struct jl_card *glass,
                    struct jl_rig *beside, struct jl_complaint *complaint) {
    memset(rig, 0, sizeof *rig);
    rig->card = *card;
    rig->port = (struct jl_port){
        .ops =
            card->bus == JL_BUS_I2C || card->cells.bus ? &jl_sim_port_ops : &jl_sim_port_rich_ops,
        .context = &rig->sim,
        .most_body_bytes = card->most_body_bytes,
        .least_start_bytes = LEAST_START_BYTES,
        .work_memory = (uint8_t *)rig->work_memory,
        .work_memory_bytes = sizeof rig->work_memory,
        .clock_hz = card->cycle_ns ? 1000000000u / card->cycle_ns : card->clock_hz};
    rig->is_guest = beside != NULL;
    rig->board = beside ? beside->board : jl_board_create(NOISE_SEED);
    rig->sim.board = rig->board;
    rig->sim.hand = &rig->hand;
    if (beside) {
        jl_host_rig_share(rig, beside);
    }
    bool good = !rig->board
                    ? jl_complain(complaint, "out of memory for the board of %s", card->name)
                : !card->cells.bus != !glass->cells.bus
                    ? jl_complain(complaint, "%s and %s: one has pixels, the other one cells",
                                  card->name, glass->name)
                : card->controller->scanned != glass->controller->scanned
                    ? jl_complain(complaint,
                                  "%s and %s: one is scanned out, the other one has a "
                                  "memory",
                                  card->name, glass->name)
                : card->cells.bus           ? jl_host_rig_open_cells(rig, glass, complaint)
                : card->controller->scanned ? jl_host_rig_open_scanned(rig, glass, complaint)
                                            : open_dots(rig, glass, complaint);
    if (!good) {
        jl_rig_close(rig);
    }
    return good;
}

bool jl_rig_open(struct jl_rig *rig, const struct jl_card *card, struct jl_complaint *complaint) {
    return open_on(rig, card, card, NULL, complaint);
}

bool jl_rig_open_beside(struct jl_rig *rig, const struct jl_card *card, struct jl_rig *beside,
                        struct jl_complaint *complaint) {
    return open_on(rig, card, card, beside, complaint);
}

bool jl_rig_open_on(struct jl_rig *rig, const struct jl_card *card, const struct jl_card *glass,
                    struct jl_complaint *complaint) {
    return open_on(rig, card, glass, NULL, complaint);
}

void jl_rig_close(struct jl_rig *rig) {
    if (!rig->is_guest) {
        jl_board_destroy(rig->board);
    }
    free(rig->pixels);
    rig->board = NULL;
    rig->pixels = NULL;
}

double jl_rig_now_us(const struct jl_rig *rig) {
    return (double)jl_board_now_ps(rig->board) / 1e6;
}

uint64_t jl_rig_bus_bytes(const struct jl_rig *rig) {
    if (rig->card.cells.bus && !rig->sim.i2c) {
        return jl_cells_byte_count(rig->device);
    }
    return (rig->sim.i2c ? jl_i2c_byte_count(rig->sim.i2c) : 0) +
           (rig->sim.stream ? jl_stream_byte_count(rig->sim.stream) : 0) +
           (rig->sim.rgb ? jl_rgb_byte_count(rig->sim.rgb) : 0);
}
