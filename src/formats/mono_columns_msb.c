/* 1 bit, vertical bytes, bit 7 on top. */
#define COLUMN_MSB 1
#include "mono_columns_template.h"

const struct jl_format jl_mono_columns_msb = MONO_COLUMNS_FORMAT(JL_LAYOUT_OTHER);
