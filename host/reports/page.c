/* Pages. */
#include "jadelamp/host/page.h"

#include <stdint.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/png.h"

/* RFC 4648, section 4. */
static void write_base64(struct jl_file *file, const uint8_t *bytes, size_t count) {
    static const char letters[] =
        "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
    for (size_t i = 0; i < count; i += 3) {
        size_t left = count - i < 3 ? count - i : 3;
        unsigned group = (unsigned)bytes[i] << 16 | (left > 1 ? (unsigned)bytes[i + 1] << 8 : 0) |
                         (left > 2 ? bytes[i + 2] : 0);
        char text[4] = {letters[group >> 18], letters[group >> 12 & 63],
                        left > 1 ? letters[group >> 6 & 63] : '=',
                        left > 2 ? letters[group & 63] : '='};
        jl_file_write(file, text, 4);
    }
}

bool jl_page_file(struct jl_file *file, const char *path, const char *type,
                  struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "rb");
    uint8_t bytes[3 * 1024];
    size_t count;
    jl_page_put(file, "data:");
    jl_page_put(file, type);
    jl_page_put(file, ";base64,");
    while (stream && (count = fread(bytes, 1, sizeof bytes, stream)) > 0) {
        write_base64(file, bytes, count);
    }
    bool good = stream && !ferror(stream);
    if (stream) {
        fclose(stream);
    }
    return good || jl_complain(complaint, "cannot read %s again", path);
}

bool jl_page_picture(struct jl_file *file, const struct jl_picture *picture, const char *scratch,
                     struct jl_complaint *complaint) {
    bool good = jl_png_write(scratch, picture, complaint) &&
                jl_page_file(file, scratch, "image/png", complaint);
    unlink(scratch);
    return good;
}

void jl_page_put(struct jl_file *file, const char *text) {
    jl_file_write(file, text, strlen(text));
}

void jl_page_text(struct jl_file *file, const char *text) {
    for (; *text; text++) {
        char one[2] = {*text, '\0'};
        jl_page_put(file, *text == '<'   ? "&lt;"
                          : *text == '>' ? "&gt;"
                          : *text == '&' ? "&amp;"
                                         : one);
    }
}
