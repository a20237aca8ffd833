/* 1-bit OLEDs by pages: their converter and their addresses. */
#include "page_oled.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "page_window.h"

size_t jl_page_oled_setup(const struct jl_panel *panel, uint8_t *out) {
    bool external = (jl_config_of(panel)->module & JL_MODULE_EXTERNAL_SUPPLY) != 0;
    const uint8_t converter[] = {JL_STEP_SEND(0xAD, external ? 0x8A : 0x8B)};
    size_t bytes = jl_mono_oled_setup(panel, out);
    memcpy(out + bytes, converter, sizeof converter);
    return bytes + sizeof converter;
}

size_t jl_page_oled_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out) {
    return jl_page_window(stretch->area, jl_mono_oled_first_column(panel), out);
}
