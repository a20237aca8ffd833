/* E-paper: life of a panel, updates and their policy. */
#include "harness.h"

#include <string.h>

#include "paper_stage.h"

/* A full update shows the frame to the pixel, whatever was on the glass and in the RAM. */
static void full(void) {
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        test_row("%s", paper_makes[i].name);
        paper_open(&stage, &paper_makes[i], NULL);
        for (unsigned step = 0; step < 12; step++) {
            paper_draw(&stage.frame, step * 7 + (unsigned)i);
        }
        EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
        paper_expect_shown(&stage, &stage.frame, false);
        EXPECT_INT(paper_complaints(&stage), 0);
        EXPECT(jl_device_why_dark(stage.device) == NULL);
        paper_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"full", full},
    {NULL, NULL},
};
