/* Two lines on a 16x2 module, with a bundle for it alone. */
#include "jadelamp.h"

jl_status example_run(const struct jl_port *port);

jl_status example_run(const struct jl_port *port) {
    struct jl_char_panel panel;
    jl_char_open(&panel, &plain_16x2, port);
    jl_char_wake(&panel);
    jl_char_put(&panel, 0, 0, "Hello,");
    jl_char_put(&panel, 0, 1, "Heron Quay!");
    return jl_char_status(&panel);
}
