/* Each call of the wire, told and passed on. */
#include "tapped_wire.h"

/* The description's wire is the first member of a tapped one. */
static struct tapped_wire *tapped_of(const struct jl_char_config *config) {
    return (struct tapped_wire *)(uintptr_t)config->wire;
}

static jl_status check(const struct jl_char_panel *panel) {
    return tapped_of(panel->config)->inner->check(panel);
}

static jl_status rest(struct jl_char_panel *panel) {
    return tapped_of(panel->config)->inner->rest(panel);
}

static jl_status knock(struct jl_char_panel *panel, uint8_t nibble) {
    struct tapped_wire *tapped = tapped_of(panel->config);
    tapped->fn(tapped->context, TAPPED_PULSE, nibble);
    return tapped->inner->knock(panel, nibble);
}

static jl_status send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                      const uint8_t *data, size_t count) {
    struct tapped_wire *tapped = tapped_of(panel->config);
    if (command) {
        tapped->fn(tapped->context, TAPPED_COMMAND, command);
    }
    for (size_t i = 0; i < count; i++) {
        tapped->fn(tapped->context, TAPPED_DATA, data[i]);
    }
    return tapped->inner->send(panel, enables, command, data, count);
}

static jl_status light(struct jl_char_panel *panel) {
    return tapped_of(panel->config)->inner->light(panel);
}

void jl_host_tap_wire(struct tapped_wire *tapped, struct jl_rig *rig, tapped_fn fn, void *context) {
    const struct jl_char_wire *inner = rig->cells_config.wire;
    *tapped = (struct tapped_wire){.wire = {.eight_bits = inner->eight_bits,
                                            .long_us = inner->long_us,
                                            .three_rows = inner->three_rows,
                                            .before_on = inner->before_on,
                                            .reads_busy = inner->reads_busy,
                                            .check = check,
                                            .rest = rest,
                                            .knock = knock,
                                            .send = send,
                                            .light = light},
                                   .inner = inner,
                                   .fn = fn,
                                   .context = context};
    rig->cells_config.wire = &tapped->wire;
}
