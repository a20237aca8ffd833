/* The port onto the simulated board. It does what a careful firmware port does. */
#include "jadelamp/sim/sim_port.h"

#include "jadelamp/scanout.h"

/* What a turn of a polling loop takes; also keeps a loop around poll() from standing still. */
#define POLL_PS 500000u

static bool write_all(struct jl_i2c_bus *bus, const uint8_t *bytes, size_t count) {
    bool acknowledged = true;
    for (size_t i = 0; i < count && acknowledged; i++) {
        acknowledged = jl_i2c_write(bus, bytes[i]);
    }
    return acknowledged;
}

static jl_status send_i2c(struct jl_i2c_bus *bus, const struct jl_transfer *t) {
    if (!jl_i2c_start(bus)) {
        return JL_TIMEOUT;
    }
    bool acknowledged = jl_i2c_write(bus, (uint8_t)(t->i2c_address << 1)) &&
                        write_all(bus, t->head, t->head_bytes) &&
                        write_all(bus, t->body, t->body_bytes);
    jl_i2c_stop(bus);
    return acknowledged ? JL_OK : JL_NO_ANSWER;
}

static jl_status receive_i2c(struct jl_i2c_bus *bus, const struct jl_transfer *t, uint8_t *bytes,
                             size_t count) {
    bool acknowledged = jl_i2c_start(bus);
    if (!acknowledged) {
        return JL_TIMEOUT;
    }
    if (t->head_bytes + t->body_bytes) {
        acknowledged = jl_i2c_write(bus, (uint8_t)(t->i2c_address << 1)) &&
                       write_all(bus, t->head, t->head_bytes) &&
                       write_all(bus, t->body, t->body_bytes) && jl_i2c_start(bus);
    }
    acknowledged = acknowledged && jl_i2c_write(bus, (uint8_t)(t->i2c_address << 1 | 1));
    for (size_t i = 0; i < count && acknowledged; i++) {
        bytes[i] = jl_i2c_read(bus, i + 1 < count);
    }
    jl_i2c_stop(bus);
    return acknowledged ? JL_OK : JL_NO_ANSWER;
}

/* Devices that share the bus are talked to at their own clocks. */
static struct jl_stream_bus *stream_of(const struct jl_sim_port *port) {
    if (port->clock_hz) {
        jl_stream_finish(port->stream);
        jl_stream_clock(port->stream, port->clock_hz);
    }
    return port->stream;
}

static jl_status send(void *context, const struct jl_transfer *t) {
    const struct jl_sim_port *port = context;
    if (port->touch && port->touch_address && t->i2c_address == port->touch_address) {
        port = port->touch;
    }
    if (port->i2c) {
        return send_i2c(port->i2c, t);
    }
    if (!port->stream) {
        return JL_BUS_ERROR; /* no wires that commands could take */
    }
    jl_stream_write(stream_of(port), t->body, t->body_bytes);
    return JL_OK;
}

/* Whom a program asks: the touch part by its address or its CS, else the display. */
static const struct jl_sim_port *asked(const struct jl_sim_port *port,
                                       const struct jl_transfer *t) {
    const struct jl_sim_port *touch = port->touch;
    bool touched = touch && (port->touch_address ? t->i2c_address == port->touch_address
                                                 : !jl_device_pin(touch->device, JL_DEVICE_CS));
    return touched ? touch : port;
}

static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    const struct jl_sim_port *port = asked(context, t);
    if (port->i2c) {
        return receive_i2c(port->i2c, t, bytes, count);
    }
    if (!port->stream) {
        return JL_BUS_ERROR;
    }
    struct jl_stream_bus *bus = stream_of(port);
    jl_stream_write(bus, t->body, t->body_bytes);
    jl_stream_read(bus, bytes, count);
    return JL_OK;
}

static jl_status send_nine(void *context, const struct jl_transfer *t, bool data) {
    jl_stream_write_nine(stream_of(context), t->body, t->body_bytes, data);
    return JL_OK;
}

static jl_status repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    jl_stream_repeat(stream_of(context), t->body, t->body_bytes, times);
    return JL_OK;
}

static jl_status start(void *context, const struct jl_transfer *t) {
    return jl_stream_start(stream_of(context), t->body, t->body_bytes) ? JL_OK : JL_BUS_ERROR;
}

static jl_status poll(void *context) {
    struct jl_sim_port *port = context;
    uint64_t left = jl_stream_left_ps(port->stream);
    jl_board_wait_ps(port->board, left < POLL_PS ? left : POLL_PS);
    return jl_stream_busy(port->stream) ? JL_BUSY : JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    struct jl_sim_port *port = context;
    jl_board_wait_ps(port->board, microseconds * (uint64_t)1000000);
}

static uint32_t now_us(void *context) {
    struct jl_sim_port *port = context;
    return (uint32_t)(jl_board_now_ps(port->board) / 1000000);
}

/* The pin of the device, or a negative number: none. */
static int device_pin(enum jl_pin pin) {
    static const int8_t map[] = {
        [JL_PIN_RESET] = JL_DEVICE_RESET, [JL_PIN_DC] = JL_DEVICE_DC,
        [JL_PIN_CS] = JL_DEVICE_CS,       [JL_PIN_BUSY] = JL_DEVICE_BUSY,
        [JL_PIN_TE] = JL_DEVICE_TE,       [JL_PIN_E] = JL_DEVICE_E,
        [JL_PIN_E2] = JL_DEVICE_E2,       [JL_PIN_RW] = JL_DEVICE_RW,
        [JL_PIN_LIGHT] = JL_DEVICE_LIGHT, [JL_PIN_TOUCH_RESET] = JL_DEVICE_RESET,
        [JL_PIN_TOUCH_CS] = JL_DEVICE_CS, [JL_PIN_PEN] = JL_DEVICE_PEN,
        [JL_PIN_VCOM] = JL_DEVICE_VCOM,   [JL_PIN_CHIP1] = JL_DEVICE_CHIP1,
        [JL_PIN_CHIP2] = JL_DEVICE_CHIP2, [JL_PIN_CHIP3] = JL_DEVICE_CHIP3,
    };
    return pin > JL_PIN_D7   ? -1
           : pin < JL_PIN_D0 ? map[pin]
                             : JL_DEVICE_D0 + (int)(pin - JL_PIN_D0);
}

/* The port whose device has a pin. */
static const struct jl_sim_port *port_of(const struct jl_sim_port *port, enum jl_pin pin) {
    bool of_touch = pin >= JL_PIN_TOUCH_RESET && pin <= JL_PIN_PEN;
    return of_touch && port->touch ? port->touch : port;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    const struct jl_sim_port *port = port_of(context, pin);
    if (port->device && device_pin(pin) >= 0) {
        jl_device_set_pin(port->device, (enum jl_device_pin)device_pin(pin), high);
    }
}

/* The level of a key or a contact: pulled up, and closed to ground. */
static bool hand_pin(const struct jl_sim_port *port, enum jl_pin pin) {
    const struct jl_sim_hand *hand = port->hand;
    uint64_t now_ps = jl_board_now_ps(port->board);
    if (!hand) {
        return true;
    }
    if (pin < JL_PIN_KNOB_A) {
        int key = (int)(pin - JL_PIN_KEY_OK);
        return !(hand->keys >> key & 1) && !jl_hand_key(hand->steps, hand->step_count, key, now_ps);
    }
    unsigned contacts = jl_hand_contacts(hand->knob_quarters) ^
                        jl_hand_knob(hand->steps, hand->step_count, 0, now_ps);
    return contacts >> (pin - JL_PIN_KNOB_A) & 1;
}

static bool get_pin(void *context, enum jl_pin pin) {
    if (pin >= JL_PIN_KEY_OK) {
        return hand_pin(context, pin);
    }
    const struct jl_sim_port *port = port_of(context, pin);
    return port->device && device_pin(pin) >= 0 &&
           jl_device_pin(port->device, (enum jl_device_pin)device_pin(pin));
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    struct jl_sim_port *port = context;
    if (port->device && pin == JL_PIN_LIGHT) {
        jl_device_set_light(port->device, duty);
    }
}

/* ---- the display peripheral ---- */

static void show(void *context, const void *pixels) {
    const struct jl_sim_port *port = context;
    if (port->rgb) {
        jl_rgb_show(port->rgb, pixels, port->frame_bytes);
    }
}

/* Asking takes a moment, as a turn of a loop around it does. */
static bool is_shown(void *context) {
    const struct jl_sim_port *port = context;
    bool shown = !port->rgb || jl_rgb_is_shown(port->rgb);
    if (!shown) {
        jl_board_wait_ps(port->board, POLL_PS);
    }
    return shown;
}

static void palette(void *context, const jl_color *colors) {
    const struct jl_sim_port *port = context;
    uint32_t rgb[256];
    for (int i = 0; i < 256; i++) {
        rgb[i] = (uint32_t)jl_color_red(colors[i]) << 16 |
                 (uint32_t)jl_color_green(colors[i]) << 8 | jl_color_blue(colors[i]);
    }
    if (port->rgb) {
        jl_rgb_palette(port->rgb, rgb);
    }
}

static void refill(void *context) {
    jl_scanout_refill(context);
}

static void show_lines(void *context, struct jl_scanout_lines *lines) {
    const struct jl_sim_port *port = context;
    if (port->rgb) {
        jl_rgb_show_lines(port->rgb, lines->buffers, lines->buffer_bytes, refill, lines);
    }
}

/* Memory of the desktop is coherent: there is nothing to clean. */
static const struct jl_scanout_ops scanout_ops = {
    .show = show, .is_shown = is_shown, .palette = palette, .lines = show_lines};

const struct jl_port_ops jl_sim_port_ops = {
    .send = send,
    .wait_us = wait_us,
    .set_pin = set_pin,
    .get_pin = get_pin,
    .receive = receive,
    .set_duty = set_duty,
    .now_us = now_us,
    .scanout = &scanout_ops,
};

const struct jl_port_ops jl_sim_port_rich_ops = {
    .send = send,
    .wait_us = wait_us,
    .set_pin = set_pin,
    .get_pin = get_pin,
    .receive = receive,
    .set_duty = set_duty,
    .repeat = repeat,
    .send_nine = send_nine,
    .start = start,
    .poll = poll,
    .now_us = now_us,
    .scanout = &scanout_ops,
};
