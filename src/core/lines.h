/* How pictures lie in memory: lines of bytes, one for each row or for several. */
#ifndef JADELAMP_SRC_LINES_H
#define JADELAMP_SRC_LINES_H

#include "jadelamp/frame.h"

/* Bytes of so many columns of a line, filled up to a whole one. */
static inline uint32_t jl_line_bytes(const struct jl_format *format, int16_t columns) {
    return ((uint32_t)columns * format->column_bits + 7) >> 3;
}

/* The same of a line that lies in memory. */
static inline size_t jl_line_size(const struct jl_format *format, int16_t columns) {
#if SIZE_MAX > UINT16_MAX
    return (size_t)jl_line_bytes(format, columns);
#else
    unsigned bits = format->column_bits, eights = (unsigned)columns >> 3;
    return eights * bits + (((unsigned)columns & 7) * bits + 7) / 8; /* its bits may need 17 */
#endif
}

/* Lines that hold so many rows. */
static inline unsigned jl_lines(const struct jl_format *format, int16_t rows) {
    return ((unsigned)rows + (1u << format->line_rows_log2) - 1) >> format->line_rows_log2;
}

#endif
