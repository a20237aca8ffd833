/* What options and files call the wire of a role. */
#include "jadelamp/host/decode.h"

const char *jl_role_name(enum jl_role role) {
    static const char *const names[] = {[JL_ROLE_SCL] = "scl",
                                        [JL_ROLE_SDA] = "sda",
                                        [JL_ROLE_CS] = "cs",
                                        [JL_ROLE_DC] = "dc",
                                        [JL_ROLE_CLOCK] = "clk",
                                        [JL_ROLE_MOSI] = "mosi",
                                        [JL_ROLE_MISO] = "miso",
                                        [JL_ROLE_WR] = "wr",
                                        [JL_ROLE_RD] = "rd",
                                        [JL_ROLE_E] = "e",
                                        [JL_ROLE_E2] = "e2",
                                        [JL_ROLE_RW] = "rw",
                                        [JL_ROLE_RESET] = "rst",
                                        [JL_ROLE_LIGHT] = "light",
                                        [JL_ROLE_CHIP1] = "chip1",
                                        [JL_ROLE_CHIP2] = "chip2",
                                        [JL_ROLE_CHIP3] = "chip3",
                                        [JL_ROLE_TOUCH_CS] = "touch_cs",
                                        [JL_ROLE_TOUCH_SCL] = "touch_scl",
                                        [JL_ROLE_TOUCH_SDA] = "touch_sda",
                                        [JL_ROLE_TOUCH_RESET] = "touch_reset"};
    static const char *const lines[] = {"d0", "d1", "d2",  "d3",  "d4",  "d5",  "d6",  "d7",
                                        "d8", "d9", "d10", "d11", "d12", "d13", "d14", "d15"};
    return role < JL_ROLE_D0 ? names[role] : lines[role - JL_ROLE_D0];
}
