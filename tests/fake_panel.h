/*
 * A made-up controller for tests: any pixel format, windows of bytes, and a port that keeps
 * the RAM as bytes, so that a picture on "the panel" can be compared with a frame's memory.
 * Commands: 1, left, right, top, bottom (pixels; rows in lines of memory) opens a window.
 */
#ifndef JADELAMP_TESTS_FAKE_PANEL_H
#define JADELAMP_TESTS_FAKE_PANEL_H

#include "jadelamp/jadelamp.h"

struct fake_panel {
    struct jl_controller controller;
    struct jl_panel_config config;
    struct jl_port port;
    struct jl_panel panel;
    uint8_t ram[128 * 64 * 3];
    int window[4];          /* columns and lines, included */
    int column, line, byte; /* where the next byte goes */
    bool data;
    bool broken; /* wrote past the end of the window: a picture that would roll */
    long windows, transfers, data_bytes;
    long fail_after; /* transfers that still work; negative: all */
};

/* Opens and wakes it; checks as it goes. */
void fake_open(struct fake_panel *fake, const struct jl_format *format, int width, int height);

/* The same with columns that can only be addressed `unit` at a time. */
void fake_open_in_units(struct fake_panel *fake, const struct jl_format *format, int width,
                        int height, int unit);

#endif
