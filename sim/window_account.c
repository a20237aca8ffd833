/*
 * What a program sent for each window, against what the window holds: shares that mistakes make,
 * such as pixels of another depth, a window of one column too many, or a buffer that cuts.
 */
#include "device.h"

/* Of fewer units, a share may be chance. */
enum { FEWEST_UNITS = 64, TIMES_ALIKE = 3, SINGLES = 64 };

/* So many bits were sent for a window of so many, when the program means another depth. */
static const struct depth {
    unsigned bits, sent, whole; /* a pixel that the part takes; the share */
    const char *sent_bits;
} depths[] = {
    {16, 3, 2, "18 or 24"}, {16, 1, 2, "8"}, {16, 3, 4, "12"}, {24, 2, 3, "16"},
    {24, 4, 3, "32"},       {24, 1, 3, "8"}, {12, 4, 3, "16"},
};

static bool tell_depth(struct jl_device *device, uint64_t sent, uint64_t whole) {
    const struct window_account *window = &device->window;
    for (size_t i = 0; i < sizeof depths / sizeof depths[0]; i++) {
        if (window->bits == depths[i].bits && sent * depths[i].whole == whole * depths[i].sent) {
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_SHARE,
                "%llu bytes came for a window of %d x %d, which takes %llu: pixels "
                "of %s bits, and the part takes %u?",
                (unsigned long long)window->bytes, window->width, window->height,
                (unsigned long long)whole / 8, depths[i].sent_bits, window->bits);
            return true;
        }
    }
    return false;
}

/* The end of a window is the last column and row in it, not the next. */
static bool tell_one_too_wide(struct jl_device *device, uint64_t sent) {
    const struct window_account *window = &device->window;
    uint64_t narrow = (uint64_t)(window->width - 1), low = (uint64_t)(window->height - 1);
    bool both = sent == narrow * low * window->bits;
    if (window->width < 3 || window->height < 3 ||
        !(both || sent == narrow * (low + 1) * window->bits)) {
        return false;
    }
    jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_SHARE,
                         "pixels came for %d x %d, and the window has %d x %d: its ends are "
                         "included, start + size - 1",
                         window->width - 1, window->height - both, window->width, window->height);
    return true;
}

/* Rows of e-paper begin with a byte of their own. */
static bool tell_unpadded(struct jl_device *device) {
    const struct window_account *window = &device->window;
    int width = device->glass.width;
    if (width % 8 == 0 || window->bits != 8 || window->width != (width + 7) / 8 ||
        window->bytes != (uint64_t)(width * window->height + 7) / 8) {
        return false;
    }
    jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WINDOW_SHARE,
                         "%llu bytes came for %d rows of %d bytes: %d pixels do not fill them, pad "
                         "each row to a whole byte",
                         (unsigned long long)window->bytes, window->height, window->width, width);
    return true;
}

static bool is_power_of_two(uint64_t n) {
    return n >= 16 && (n & (n - 1)) == 0;
}

/* On I2C, a driver whose buffer is full drops the rest: 32 bytes with the control byte, or with
 * the address, too. */
static void tell_cut(struct jl_device *device, uint64_t sent, uint64_t whole) {
    struct window_account *window = &device->window;
    bool alike = sent < whole && window->bytes == window->bytes_before;
    window->alike = alike ? window->alike + 1 : 0;
    window->bytes_before = window->bytes;
    for (unsigned long long extra = 1; extra <= 2; extra++) {
        unsigned long long buffer = window->bytes + extra;
        if (device->i2c && window->alike == TIMES_ALIKE && is_power_of_two(buffer)) {
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TRANSFER_CUT,
                                 "again and again %llu data bytes, and then a new address, where "
                                 "%llu fit: a buffer of %llu bytes in the I2C driver cuts them",
                                 (unsigned long long)window->bytes, (unsigned long long)whole / 8,
                                 buffer);
        }
    }
}

void jl_sim_window_end(struct jl_device *device) {
    struct window_account *window = &device->window;
    uint64_t sent = 8 * window->bytes, units = (uint64_t)window->width * (uint64_t)window->height;
    uint64_t whole = units * window->bits;
    if (sent) {
        window->singles = units == 1 && sent == whole ? window->singles + 1 : 0;
    }
    if (sent && window->singles == SINGLES) {
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_ONE_PIXEL,
                             "%d windows of one pixel in a row: one window for all of them takes a "
                             "fraction of the time",
                             SINGLES);
    }
    if (sent && sent != whole) {
        bool told =
            units >= FEWEST_UNITS && (tell_unpadded(device) || tell_one_too_wide(device, sent) ||
                                      tell_depth(device, sent, whole));
        if (!told) {
            tell_cut(device, sent, whole);
        }
    }
    window->bytes = 0;
}
