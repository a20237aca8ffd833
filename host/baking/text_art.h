/* Text art: perhaps "@ ascent 7"; "= 26F5 2581", then rows of dots, # or ., one character beside
 * the other. */
#ifndef JADELAMP_HOST_TEXT_ART_H
#define JADELAMP_HOST_TEXT_ART_H

#include <stdint.h>

#include "jadelamp/host/complaint.h"

enum { ART_SIDE = 64 };

struct text_art_glyph {
    uint32_t code;
    int width, height;
    uint64_t rows[ART_SIDE]; /* bit 0 is the right dot */
};

struct text_art {
    struct text_art_glyph *glyphs;
    int count;
    /* What is allowed; 0: any size up to ART_SIDE. Set before reading. */
    int width, height, most;
    int ascent; /* of a line "@ ascent 9"; 0: there was none */
};

/* Reads a file. False: the complaint names file, line and what would be right. */
bool jl_host_text_art_read(const char *path, struct text_art *art, struct jl_complaint *complaint);

void jl_host_text_art_free(struct text_art *art);

#endif
