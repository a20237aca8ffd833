/* What follows from the timings of scan-out glass. */
#include "jadelamp/scanout.h"

static uint32_t with_porches(int16_t pixels, const struct jl_porches *porches) {
    return (uint32_t)(uint16_t)pixels + porches->sync + porches->back + porches->front;
}

/* Rounded to the nearest. */
static uint32_t divide(uint64_t value, uint64_t by) {
    return (uint32_t)((value + by / 2) / by);
}

static bool is_good(const struct jl_scanout_config *config) {
    bool clock = config->clock_hz && config->clock_hz >= config->least_hz &&
                 (!config->most_hz || config->clock_hz <= config->most_hz);
    bool lines = config->data_lines == 16 || config->data_lines == 18 || config->data_lines == 24;
    return clock && lines && config->line.sync && config->picture.sync &&
           with_porches(config->width, &config->line) <= UINT16_MAX &&
           with_porches(config->height, &config->picture) <= UINT16_MAX;
}

jl_status jl_scanout_sums(const struct jl_scanout_config *config, uint8_t bits_per_pixel,
                          struct jl_scanout_sums *sums) {
    bool bits =
        bits_per_pixel == 8 || bits_per_pixel == 16 || bits_per_pixel == 24 || bits_per_pixel == 32;
    if (!config || !sums || !bits) {
        return JL_BAD_ARGUMENT;
    }
    if (config->width < 1 || config->height < 1) {
        return JL_BAD_SIZE;
    }
    if (!is_good(config)) {
        return JL_OUT_OF_RANGE;
    }
    uint32_t clocks = with_porches(config->width, &config->line);
    uint32_t lines = with_porches(config->height, &config->picture);
    uint64_t of_picture = (uint64_t)clocks * lines;
    if (of_picture > config->clock_hz) {
        return JL_OUT_OF_RANGE;
    }
    uint32_t bytes = bits_per_pixel / 8u;
    uint64_t frame = (uint64_t)(uint16_t)config->width * (uint16_t)config->height * bytes;
    *sums = (struct jl_scanout_sums){
        .line_clocks = (uint16_t)clocks,
        .picture_lines = (uint16_t)lines,
        .refresh_mhz = divide((uint64_t)config->clock_hz * 1000, of_picture),
        .line_ns = divide((uint64_t)clocks * 1000000000u, config->clock_hz),
        .mean_bytes_s = divide(frame * config->clock_hz, of_picture),
        .peak_bytes_s = config->clock_hz * bytes,
        .frame_bytes = (uint32_t)frame};
    return JL_OK;
}
