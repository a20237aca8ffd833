/* A solid fill from memory that holds a pixel many times. */
#include "pattern_fill.h"

#include "../core/lone.h"

enum { SMALL_BYTES = 192 }; /* holds whole pixels of 1 to 4 bytes */

jl_status jl_pattern_fill(const struct jl_panel *panel, const uint8_t *pixel,
                          uint32_t total_bytes) {
    const struct jl_port *port = panel->port;
    uint16_t small[SMALL_BYTES / 2]; /* aligned for 16-bit buses */
    uint8_t *pattern = (uint8_t *)small;
    uint32_t room = SMALL_BYTES;
    uint8_t pixel_bytes = jl_pixel_bytes(panel);
    if (port->work_memory_bytes > room) {
        pattern = port->work_memory;
        room = port->work_memory_bytes;
    }
    uint32_t bytes = 0;
    while (bytes + pixel_bytes <= room && bytes < total_bytes) {
        for (uint8_t i = 0; i < pixel_bytes; i++) {
            pattern[bytes++] = pixel[i];
        }
    }
    jl_status status = JL_OK;
    while (total_bytes && status == JL_OK) {
        uint32_t part = total_bytes < bytes ? total_bytes : bytes;
        status = jl_config_of(panel)->bus->send(panel, true, pattern, (size_t)part);
        total_bytes -= part;
    }
    return status;
}
