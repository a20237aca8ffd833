/*
 * Controllers that are told page, upper and lower digit of the column for each page. Behind a
 * multiple of 16 columns the lower digit is where it was, so pages after the first go without it;
 * not where the column ran against the end of the RAM, where it stops.
 */
#include "run.h"
#include "steps.h"

jl_status jl_write_pages(struct jl_panel *panel, const struct jl_run *run) {
    const struct jl_controller *controller = panel->config->controller;
    struct jl_run page = *run;
    jl_status status = JL_OK;
    int end = run->area.y + run->area.h;
    page.area.h = 8;
    while (page.area.y < end && status == JL_OK) {
        uint8_t steps[JL_STEPS_MOST_BYTES];
        size_t bytes = controller->window(panel, page.area, steps);
        int behind = (steps[2] & 15) * 16 + (steps[3] & 15) + page.area.w;
        if (page.area.y > run->area.y && !(page.area.w & 15) && behind < controller->ram_width) {
            steps[0] = 2;
            bytes = 3;
        }
        status = jl_steps_run_plain(panel, steps, bytes);
        if (status == JL_OK) {
            status = jl_run_send(panel, &page);
        }
        page.area.y = (int16_t)(page.area.y + page.area.h);
        if (page.line) {
            page.line += run->stride_bytes;
        }
    }
    return status;
}
