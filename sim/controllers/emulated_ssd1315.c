/* Emulated ssd1315: digital part and charge pump as an ssd1306 has them. */
#include "mono_oled.h"

const struct jl_emulated_part jl_emulated_ssd1315 = {
    .name = "ssd1315",
    .commands = &jl_sim_ssd1315_commands,
    .strangers = jl_sim_ssd1306_strangers,
    .machine = &jl_sim_mono_oled_machine,
    .facts = &jl_sim_ssd1306_facts,
    .state_bytes = sizeof(struct mono_oled),
    .serial_cycle_ps = 100000,
    .parallel_cycle_ps = 300000,
    .i2c_cycle_ps = 2500000,
};
