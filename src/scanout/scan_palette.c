/* Scan-out of frames with a palette. */
#include "scanout.h"

jl_status jl_scanout_open_palette(struct jl_scanout *scan, const struct jl_scanout_config *config,
                                  const struct jl_port *port, const jl_color *palette, void *first,
                                  void *second, size_t pixel_bytes) {
    const struct jl_format *format = &jl_palette8;
    jl_status status = jl_scanout_prepare(scan, config, port, format, first, second);
    if (status == JL_OK && !port->ops->scanout->palette) {
        status = JL_BAD_PORT;
    }
    if (status == JL_OK) {
        status = jl_frame_init_palette(&scan->frame, format, palette, config->width, config->height,
                                       first, pixel_bytes);
    }
    if (status == JL_OK) {
        port->ops->scanout->palette(port->context, palette);
        jl_scanout_begin(scan, port, second);
    }
    return status;
}

jl_status jl_scanout_recolor(struct jl_scanout *scan) {
    if (!scan || !scan->port || !scan->frame.palette) {
        return JL_BAD_ARGUMENT;
    }
    scan->port->ops->scanout->palette(scan->port->context, scan->frame.palette);
    return JL_OK;
}
