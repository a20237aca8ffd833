/* Plain firmware code: a struct for each thing on the screen, and calls for all of them. */
#include "harbour_console.h"

#include "jadelamp/draw.h"

enum { TIDE_CM = 310, GATE_RATE = 500, LEAK = 6 };

#define THEME (&jl_theme_night)

static const struct jl_zone level_zones[] = {
    {120, JL_GRADE_WARN}, {260, JL_GRADE_GOOD}, {290, JL_GRADE_WARN}, {320, JL_GRADE_ALARM}};
static const struct jl_zone inflow_zones[] = {
    {60, JL_GRADE_GOOD}, {85, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};

static const struct jl_slider_face gate_faces[CONSOLE_GATES] = {
    {{36, 112, 64, 320}, THEME, {0, 100, NULL, 0}, 5},
    {{144, 112, 64, 320}, THEME, {0, 100, NULL, 0}, 5}};
static const struct jl_number_face opened_faces[CONSOLE_GATES] = {
    {{20, 54, 96, 44}, THEME, "Gate 1", "%", 0, false, NULL},
    {{128, 54, 96, 44}, THEME, "Gate 2", "%", 0, false, NULL}};
static const struct jl_chart_face chart_face = {
    {250, 76, CONSOLE_CHART + 2, 160}, THEME, {100, 320, level_zones, 4}, 4, 1, true, 8, true, 2};
static const struct jl_bar_face basin_face = {
    {566, 76, 76, 160}, THEME, {100, 320, level_zones, 4}, 4};
static const struct jl_dial_face inflow_face = {.box = {656, 60, 132, 132},
                                                .theme = THEME,
                                                .scale = {0, 100, inflow_zones, 3},
                                                .start = JL_DEGREES(225),
                                                .sweep = JL_SWEEP(270),
                                                .major = 5,
                                                .minor = 2,
                                                .label = "inflow"};
static const struct jl_button_face open_face = {{672, 252, 112, 48}, THEME, "Open 2"};
static const struct jl_button_face shut_face = {{672, 312, 112, 48}, THEME, "Shut all"};
static const struct jl_check_face lamps_face = {{570, 318, 98, 32}, THEME, "Lamps lit"};
static const struct jl_lamp_face pump_face = {{570, 260, 94, 32}, THEME, "Pump", JL_GRADE_WARN};
static const struct jl_stepper_face wanted_face = {
    {570, 404, 214, 52}, THEME, {150, 300, NULL, 0}, 5, 2, "m"};
static const struct jl_message_face question_face = {{240, 160, 320, 170},
                                                     THEME,
                                                     "Gate 2",
                                                     "Open gate 2 by half? The basin is occupied.",
                                                     {"Open", "Leave it", NULL},
                                                     JL_GRADE_WARN};

void harbour_console_begin(struct harbour_console *console) {
    *console = (struct harbour_console){
        .basin = {.face = &basin_face},
        .chart = {.face = &chart_face, .columns = console->columns, .room = CONSOLE_CHART},
        .inflow = {.face = &inflow_face},
        .open = {.face = &open_face},
        .shut = {.face = &shut_face},
        .lamps = {.face = &lamps_face},
        .wanted = {.face = &wanted_face, .value = 240},
        .pump = {.face = &pump_face},
        .scene = {.x = 250, .y = 252},
        .question = {.face = &question_face},
        .level = 18000};
    for (int i = 0; i < CONSOLE_GATES; i++) {
        console->gates[i] = (struct jl_slider){.face = &gate_faces[i]};
        console->opened[i] = (struct jl_number){.face = &opened_faces[i]};
    }
}

/* A gate goes to where it is wanted; water runs in through what is open, and is pumped out. */
void harbour_console_tick(struct harbour_console *console) {
    int32_t inflow = 0;
    for (int i = 0; i < CONSOLE_GATES; i++) {
        int32_t way = console->gates[i].value * 100 - console->opening[i];
        way = way > GATE_RATE / 2 ? GATE_RATE / 2 : way < -GATE_RATE / 2 ? -GATE_RATE / 2 : way;
        console->opening[i] += way;
        console->opened[i].value = console->opening[i] / 100;
        inflow += console->opening[i] / CONSOLE_GATES / 100;
    }
    console->pump.on = console->level > console->wanted.value * 100;
    console->level += (TIDE_CM * 100 - console->level) * inflow / 25000 - LEAK;
    console->level -= console->pump.on ? 4 * LEAK : 0;
    console->inflow.value = inflow;
    console->basin.value = console->level / 100;
    console->ticks++;
    if (console->ticks % 2 == 0) {
        jl_chart_add(&console->chart, (int16_t)(console->level / 100));
    }
}

static bool answer(struct harbour_console *console, const struct jl_event *event) {
    int8_t button = jl_message_event(&console->question, event);
    if (button != JL_MESSAGE_NONE) {
        console->gates[1].value = button == 0 ? 50 : console->gates[1].value;
        console->asks = false;
        console->drawn = false; /* what it covered comes back */
    }
    return button != JL_MESSAGE_NONE;
}

bool harbour_console_event(struct harbour_console *console, const struct jl_event *event) {
    if (console->asks) {
        return answer(console, event);
    }
    bool taken = jl_slider_event(&console->gates[0], event);
    taken |= jl_slider_event(&console->gates[1], event);
    taken |= jl_check_event(&console->lamps, event);
    taken |= jl_stepper_event(&console->wanted, event);
    if (jl_button_event(&console->open, event)) {
        console->question = (struct jl_message){.face = &question_face};
        console->asks = taken = true;
    }
    if (jl_button_event(&console->shut, event)) {
        console->gates[0].value = console->gates[1].value = 0;
        taken = true;
    }
    return taken;
}

static void draw_still_parts(struct jl_target *target) {
    static const struct jl_text_style title = {
        .font = &jl_font_8x13, .ink = JL_RGB(0xE8, 0xF0, 0xF2), .paper = JL_RGB(0x16, 0x23, 0x2C)};
    static const struct jl_text_style small = {
        .font = &jl_font_8x13, .ink = JL_RGB(0x6C, 0x84, 0x90), .paper = JL_CLEAR};
    jl_clear(target, THEME->back);
    jl_fill_rect(target, (struct jl_rect){0, 0, 800, 40}, title.paper);
    jl_fill_rect(target, (struct jl_rect){0, 40, 800, 1}, THEME->accent);
    jl_text(target, 20, 13, "Heron Quay", &title);
    jl_text_at(target, 780, 13, JL_ANCHOR_RIGHT, "Inner basin and sluices", &small);
    jl_text(target, 250, 56, "Basin, metres", &small);
    jl_text(target, 570, 384, "Wanted level", &small);
    jl_text(target, 66, 446, "wanted opening", &small);
}

/* All is to be drawn again: each thing forgets that it was. */
static void forget(struct harbour_console *console) {
    for (int i = 0; i < CONSOLE_GATES; i++) {
        console->gates[i].drawn = console->opened[i].drawn = false;
    }
    console->basin.drawn = console->chart.drawn = console->inflow.drawn = false;
    console->open.drawn = console->shut.drawn = console->lamps.drawn = false;
    console->wanted.drawn = console->pump.drawn = console->scene.drawn = false;
    console->drawn = true;
}

bool harbour_console_redraw(struct jl_target *target, struct harbour_console *console) {
    bool drew = !console->drawn;
    if (!console->drawn) {
        draw_still_parts(target);
        forget(console);
    }
    if (console->asks) { /* over the others, which stand still meanwhile */
        return jl_message_redraw(target, &console->question) || drew;
    }
    for (int i = 0; i < CONSOLE_GATES; i++) {
        drew |= jl_slider_redraw(target, &console->gates[i]);
        drew |= jl_number_redraw(target, &console->opened[i]);
    }
    drew |= jl_bar_redraw(target, &console->basin);
    drew |= jl_chart_redraw(target, &console->chart);
    drew |= jl_dial_redraw(target, &console->inflow);
    drew |= jl_button_redraw(target, &console->open);
    drew |= jl_button_redraw(target, &console->shut);
    drew |= jl_check_redraw(target, &console->lamps);
    drew |= jl_stepper_redraw(target, &console->wanted);
    drew |= jl_lamp_redraw(target, &console->pump);
    basin_scene_set(&console->scene, console->basin.value, console->opened[0].value,
                    console->opened[1].value, console->lamps.on);
    return basin_scene_redraw(target, &console->scene) || drew;
}
