/* From a card to a running panel on a simulated board. */
#include "jadelamp/host/rig.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"

/* Fixed, so that two runs show the same noise. */
#define NOISE_SEED 0x48455251u

#define SETTLE_PS 200000000000u

static struct jl_glass glass_of(const struct jl_card *card) {
    return (struct jl_glass){
        .width = card->width,
        .height = card->height,
        .column_offset = card->column_offset,
        .kind = card->glass_kind,
        .segment0_left = (card->module & JL_MODULE_MIRROR_X) != 0,
        .common0_top = (card->module & JL_MODULE_MIRROR_Y) != 0,
        .rows_sequential = (card->module & JL_MODULE_ROWS_SEQUENTIAL) != 0,
        .external_supply = (card->module & JL_MODULE_EXTERNAL_SUPPLY) != 0,
    };
}

static bool build_board(struct jl_rig *rig) {
    const struct jl_card *card = &rig->card;
    struct jl_glass glass = glass_of(card);
    rig->board = jl_board_create(NOISE_SEED);
    if (!rig->board) {
        return false;
    }
    rig->device = jl_board_add_device(rig->board, card->controller->emulator, card->name, &glass);
    rig->sim = (struct jl_sim_port){.board = rig->board, .device = rig->device};
    if (!rig->device) {
        return false;
    }
    if (card->bus == JL_BUS_I2C) {
        rig->sim.i2c = jl_board_add_i2c(rig->board, card->clock_hz, card->overhead_ns);
        return rig->sim.i2c && jl_i2c_attach(rig->sim.i2c, rig->device, card->i2c_address);
    }
    rig->sim.spi = jl_board_add_spi(rig->board, card->clock_hz, card->overhead_ns, card->spi_mode);
    return rig->sim.spi && jl_spi_attach(rig->sim.spi, rig->device);
}

static struct jl_panel_config config_of(const struct jl_card *card) {
    return (struct jl_panel_config){
        .controller = card->controller->driver,
        .width = (int16_t)card->width,
        .height = (int16_t)card->height,
        .column_offset = (int16_t)card->column_offset,
        .bus = card->bus,
        .i2c_address = card->i2c_address,
        .module = card->module,
        .flip = card->flip,
        .contrast = card->contrast,
        .inverted = card->inverted,
        .wake_steps = card->has_wake ? card->wake_steps : NULL,
        .wake_steps_bytes = card->wake_bytes,
    };
}

/* Enough for every format: the frame takes what it needs. */
static size_t frame_bytes(const struct jl_card *card) {
    const struct jl_format *format = card->controller->driver->format;
    size_t rows = (size_t)1 << format->line_rows_log2;
    size_t lines = ((size_t)card->height + rows - 1) / rows;
    return format->planes * lines * (((size_t)card->width * rows * format->bits_per_pixel + 7) / 8);
}

bool jl_rig_open(struct jl_rig *rig, const struct jl_card *card, struct jl_complaint *complaint) {
    memset(rig, 0, sizeof *rig);
    rig->card = *card;
    rig->config = config_of(&rig->card);
    rig->port = (struct jl_port){
        .ops = &jl_sim_port_ops, .context = &rig->sim, .most_body_bytes = card->most_body_bytes};
    size_t bytes = frame_bytes(card);
    rig->pixels = malloc(bytes);
    jl_status status = JL_OK;
    bool built = rig->pixels && build_board(rig);
    if (built) {
        status = jl_frame_init(&rig->frame, card->controller->driver->format, (int16_t)card->width,
                               (int16_t)card->height, rig->pixels, bytes);
    }
    if (built && status == JL_OK) {
        jl_frame_track(&rig->frame, &rig->damage);
        status = jl_panel_open(&rig->panel, &rig->config, &rig->port);
    }
    if (built && status == JL_OK) {
        return true;
    }
    jl_rig_close(rig);
    return jl_complain(complaint, "cannot build the board for %s: %s", card->name,
                       built ? jl_status_text(status)
                             : "the bus, the address or the glass does not fit the controller");
}

void jl_rig_close(struct jl_rig *rig) {
    jl_board_destroy(rig->board);
    free(rig->pixels);
    rig->board = NULL;
    rig->pixels = NULL;
}

double jl_rig_now_us(const struct jl_rig *rig) {
    return (double)jl_board_now_ps(rig->board) / 1e6;
}

uint64_t jl_rig_bus_bytes(const struct jl_rig *rig) {
    return rig->sim.i2c ? jl_i2c_byte_count(rig->sim.i2c) : jl_spi_byte_count(rig->sim.spi);
}

static bool write_pair(struct jl_rig *rig, const struct jl_picture *glass, const char *directory,
                       const char *base, int scale, struct jl_complaint *complaint) {
    char path[1024];
    struct jl_picture photo;
    if (!jl_path_join(path, sizeof path, directory, base, "-glass.png", complaint) ||
        !jl_png_write(path, glass, complaint) ||
        !jl_path_join(path, sizeof path, directory, base, "-photo.png", complaint)) {
        return false;
    }
    if (!jl_glass_photo(jl_device_glass(rig->device), glass, jl_device_brightness(rig->device),
                        scale, &photo)) {
        return jl_complain(complaint, "cannot make the photo at scale %d: expected 2 to 32", scale);
    }
    bool good = jl_png_write(path, &photo, complaint);
    jl_picture_free(&photo);
    return good;
}

bool jl_rig_photograph(struct jl_rig *rig, const char *directory, const char *base, int scale,
                       struct jl_complaint *complaint) {
    struct jl_picture glass;
    jl_board_wait_ps(rig->board, SETTLE_PS);
    if (!jl_directory_make(directory, complaint)) {
        return false;
    }
    if (!jl_device_picture(rig->device, &glass)) {
        return jl_complain(complaint, "out of memory for the picture of %s", rig->card.name);
    }
    bool good = write_pair(rig, &glass, directory, base, scale, complaint);
    jl_picture_free(&glass);
    return good;
}
