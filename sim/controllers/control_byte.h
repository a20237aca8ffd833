/*
 * I2C framing of the OLED controllers (ssd1306 datasheet 8.1.5.2): a control byte with Co in bit
 * 7 and D/C in bit 6 says what follows, one byte (Co = 1) or all of them.
 */
#ifndef JADELAMP_SIM_CONTROL_BYTE_H
#define JADELAMP_SIM_CONTROL_BYTE_H

#include "../device.h"

struct control {
    bool awaited; /* the next byte is a control byte */
    bool one;     /* one byte follows, then another control byte */
    bool data;
};

static inline void control_begin(struct control *control) {
    control->awaited = true;
}

/* True when the byte was a control byte; else it is payload of kind `data`. */
static inline bool control_took(struct jl_device *device, struct control *control, uint8_t byte) {
    if (!control->awaited) {
        control->awaited = control->one;
        return false;
    }
    if (byte & 0x3F) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_CONTROL_BYTE,
            "0x%02X stands where a control byte belongs (00 commands, 40 data, 80 one "
            "command, C0 one data byte)",
            byte);
    }
    control->data = (byte & 0x40) != 0;
    control->one = (byte & 0x80) != 0;
    control->awaited = false;
    return true;
}

#endif
