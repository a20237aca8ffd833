/* 1 bit, vertical bytes, bit 0 on top. */
#define COLUMN_MSB 0
#include "mono_columns_template.h"

const struct jl_format jl_mono_columns = MONO_COLUMNS_FORMAT(JL_LAYOUT_MONO_COLUMNS);
