/* Controllers whose address does not go on to the next line: a window a page, or a row. */
#include "run.h"

jl_status jl_write_lines(struct jl_panel *panel, const struct jl_run *run) {
    struct jl_run line = *run;
    jl_status status = JL_OK;
    int end = run->area.y + run->area.h;
    line.area.h = (int16_t)(1 << panel->format->line_rows_log2);
    while (line.area.y < end && status == JL_OK) {
        status = jl_write_window(panel, &line);
        line.area.y = (int16_t)(line.area.y + line.area.h);
        if (line.line) {
            line.line += run->stride_bytes;
        }
    }
    return status;
}

jl_status jl_write_wrapped(struct jl_panel *panel, const struct jl_run *run) {
    return run->area.w == panel->config->controller->ram_width ? jl_write_window(panel, run)
                                                               : jl_write_lines(panel, run);
}
