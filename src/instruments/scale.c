/* Scales: values, pixels, zones. */
#include "instrument.h"

int32_t jl_scale_cut(const struct jl_scale *scale, int32_t value) {
    value = value > scale->to ? scale->to : value;
    return value < scale->from ? scale->from : value;
}

int16_t jl_scale_at(const struct jl_scale *scale, int32_t value, int16_t length) {
    int64_t whole = (int64_t)scale->to - scale->from;
    int64_t part = (int64_t)jl_scale_cut(scale, value) - scale->from;
    return whole > 0 ? (int16_t)((part * length + whole / 2) / whole) : 0;
}

int32_t jl_scale_step(const struct jl_scale *scale, int32_t value, int32_t size, int32_t steps) {
    int64_t to = value + (int64_t)size * steps;
    to = to > scale->to ? scale->to : to;
    return to < scale->from ? scale->from : (int32_t)to;
}

uint8_t jl_scale_grade(const struct jl_scale *scale, int32_t value) {
    value = jl_scale_cut(scale, value);
    for (uint8_t i = 0; i < scale->zone_count; i++) {
        if (value <= scale->zones[i].to) {
            return scale->zones[i].grade;
        }
    }
    return JL_GRADE_GOOD;
}

jl_color jl_theme_grade(const struct jl_theme *theme, uint8_t grade) {
    return grade == JL_GRADE_ALARM  ? theme->alarm
           : grade == JL_GRADE_WARN ? theme->warn
                                    : theme->good;
}
