/* Colours as text. */
#include "jadelamp/color.h"

bool jl_color_from_text(const char *text, jl_color *color) {
    jl_color read = 0;
    if (!text || *text++ != '#') {
        return false;
    }
    for (uint8_t i = 0; i < 6; i++) {
        char c = text[i];
        char lower = (char)(c | 0x20);
        if (c >= '0' && c <= '9') {
            read = read << 4 | (jl_color)(c - '0');
        } else if (lower >= 'a' && lower <= 'f') {
            read = read << 4 | (jl_color)(lower - 'a' + 10);
        } else {
            return false; /* also the end of the text */
        }
    }
    if (text[6]) {
        return false;
    }
    *color = read;
    return true;
}
