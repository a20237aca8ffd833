/*
 * The recorder: value change dump, four-state, IEEE 1364-2005 clause 18.2.
 * A wire shared by several devices is declared in each one's scope with the
 * same identifier, as the standard allows for nets of one value.
 */
#include "board_parts.h"
#include "rgb_line.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Printable identifiers, '!' to '~', least significant digit first. */
static const char *identifier(wire_id wire, char out[4]) {
    const int base = '~' - '!' + 1;
    out[0] = (char)('!' + wire % base);
    out[1] = wire >= base ? (char)('!' + wire / base - 1) : '\0';
    out[2] = '\0';
    return out;
}

/* No line is longer. */
enum { LINE = 160 };

static void flush(struct recorder *recorder) {
    if (!recorder->failed && recorder->length) {
        recorder->failed = !recorder->sink(recorder->context, recorder->text, recorder->length);
    }
    recorder->length = 0;
}

/* Room for a line in the text. */
static char *line_at(struct recorder *recorder) {
    if (sizeof recorder->text - recorder->length < LINE) {
        flush(recorder);
    }
    return recorder->text + recorder->length;
}

__attribute__((format(printf, 2, 3))) static void emit(struct jl_board *board, const char *format,
                                                       ...) {
    struct recorder *recorder = &board->recorder;
    char *text = line_at(recorder);
    va_list arguments;
    va_start(arguments, format);
    int length = vsnprintf(text, LINE, format, arguments);
    va_end(arguments);
    recorder->length += length > 0 ? (size_t)length : 0;
}

/*
 * By hand, since times and levels are nearly all of a recording. The digits of the last time are
 * kept and added to: from edge to edge few of them change, and none is divided for.
 */
static void emit_time(struct recorder *recorder, uint64_t ns) {
    char *at = line_at(recorder);
    uint64_t by = ns - recorder->stamp_ns;
    unsigned carry = 0, place = STAMP_DIGITS;
    while (by || carry) {
        unsigned digit = (unsigned)(recorder->stamp[--place] - '0') + (unsigned)(by % 10) + carry;
        carry = digit > 9;
        recorder->stamp[place] = (char)('0' + (carry ? digit - 10 : digit));
        by /= 10;
        if (STAMP_DIGITS - place > recorder->stamp_length) {
            recorder->stamp_length = (uint8_t)(STAMP_DIGITS - place);
        }
    }
    recorder->stamp_ns = ns;
    unsigned length = recorder->stamp_length ? recorder->stamp_length : 1;
    *at = '#';
    /* As many digits as a time can have: what is too much is written over. */
    memcpy(at + 1, recorder->stamp + STAMP_DIGITS - length, STAMP_DIGITS);
    at[1 + length] = '\n';
    recorder->length += length + 2;
}

static void emit_level(struct recorder *recorder, bool high, const char *id) {
    char *at = line_at(recorder), *out = at;
    *out++ = high ? '1' : '0';
    while (*id) {
        *out++ = *id++;
    }
    *out++ = '\n';
    recorder->length += (size_t)(out - at);
}

static uint64_t to_ns(uint64_t ps) {
    return (ps + 500) / 1000;
}

wire_id jl_sim_wire_create(struct jl_board *board, bool level) {
    board->levels[board->wire_count] = level;
    return board->wire_count++;
}

bool jl_sim_board_records(const struct jl_board *board) {
    return board->recorder.sink != NULL;
}

static void mark_time(struct jl_board *board, uint64_t at_ps) {
    struct recorder *recorder = &board->recorder;
    uint64_t ns = to_ns(at_ps);
    if (ns < recorder->last_ns) {
        /* Time would go back: readers that sort would see other bits. A mistake of the board. */
        recorder->failed = true;
        fprintf(stderr, "recorder: an edge at %llu ns behind one at %llu ns\n",
                (unsigned long long)ns, (unsigned long long)recorder->last_ns);
    } else if (ns != recorder->last_ns) {
        emit_time(recorder, ns);
        recorder->last_ns = ns;
    }
}

/* Sorted in by its time, behind those of the same. */
static void wait_for_its_time(struct recorder *recorder, struct edge edge) {
    if (recorder->waiting_count == recorder->waiting_room) {
        size_t room = recorder->waiting_room * 2 + 64;
        struct edge *larger = realloc(recorder->waiting, room * sizeof *larger);
        if (!larger) {
            recorder->failed = true;
            return;
        }
        recorder->waiting = larger;
        recorder->waiting_room = room;
    }
    size_t at = recorder->waiting_count++;
    for (; at > 0 && recorder->waiting[at - 1].at_ps > edge.at_ps; at--) {
        recorder->waiting[at] = recorder->waiting[at - 1];
    }
    recorder->waiting[at] = edge;
}

void jl_sim_recorder_write_until(struct jl_board *board, uint64_t at_ps) {
    struct recorder *recorder = &board->recorder;
    size_t written = 0;
    for (; written < recorder->waiting_count; written++) {
        const struct edge *edge = &recorder->waiting[written];
        char id[4];
        if (edge->at_ps > at_ps) {
            break;
        }
        mark_time(board, edge->at_ps);
        emit_level(recorder, edge->high, identifier(edge->wire, id));
    }
    if (!written) {
        return;
    }
    flush(recorder);
    recorder->waiting_count -= written;
    memmove(recorder->waiting, recorder->waiting + written,
            recorder->waiting_count * sizeof recorder->waiting[0]);
}

void jl_sim_wire_set(struct jl_board *board, wire_id wire, bool high, uint64_t at_ps) {
    if (wire == NO_WIRE || board->levels[wire] == high) {
        return;
    }
    board->levels[wire] = high;
    if (jl_sim_board_records(board) && board->declared[wire]) {
        wait_for_its_time(&board->recorder, (struct edge){at_ps, wire, high});
    }
}

static void declare(struct jl_board *board, wire_id wire, const char *name) {
    char id[4];
    board->declared[wire] = true;
    emit(board, "$var wire 1 %s %s $end\n", identifier(wire, id), name);
}

static void declare_stream(struct jl_board *board, const struct jl_device *device,
                           const struct jl_stream_bus *bus) {
    declare(board, device->pin_wires[JL_DEVICE_CS], "cs");
    if (!bus->lines) {
        declare(board, bus->strobe, "sck");
        declare(board, bus->data[0], "mosi");
        if (device->machine->read && !device->three_wire) {
            declare(board, bus->miso, "miso");
        }
    }
    if (!device->three_wire) {
        declare(board, device->pin_wires[JL_DEVICE_DC], bus->enable ? "rs" : "dc");
    }
    if (bus->lines) {
        declare(board, bus->strobe, bus->enable ? "e" : "wr");
        declare(board, bus->read_strobe, bus->enable ? "rw" : "rd");
    }
    for (int i = 0; i < bus->lines; i++) {
        char name[8];
        snprintf(name, sizeof name, "d%d", i);
        declare(board, bus->data[i], name);
    }
}

static void declare_rgb(struct jl_board *board, const struct rgb_wires *wires, int lines) {
    declare(board, wires->clock, "pclk");
    declare(board, wires->hsync, "hsync");
    declare(board, wires->vsync, "vsync");
    declare(board, wires->de, "de");
    for (int color = 0; color < 3; color++) {
        int first, count = jl_sim_rgb_color_lines(lines, color, &first);
        for (int i = 0; i < count; i++) {
            char name[16];
            snprintf(name, sizeof name, "%c%d", "bgr"[color], i);
            declare(board, wires->data[first + i], name);
        }
    }
}

/* What a part on plain pins has, if its maker made it wires. */
static void declare_pins(struct jl_board *board, const struct jl_device *device) {
    static const struct {
        const char *name;
        enum jl_device_pin pin;
    } pins[] = {{"rs", JL_DEVICE_DC},
                {"rw", JL_DEVICE_RW},
                {"e", JL_DEVICE_E},
                {"e2", JL_DEVICE_E2},
                {"light", JL_DEVICE_LIGHT}};
    for (size_t i = 0; i < sizeof pins / sizeof pins[0]; i++) {
        declare(board, device->pin_wires[pins[i].pin], pins[i].name);
    }
    for (int i = 0; i < 8; i++) {
        char name[8];
        snprintf(name, sizeof name, "d%d", i);
        declare(board, device->pin_wires[JL_DEVICE_D0 + i], name);
    }
}

static void declare_device(struct jl_board *board, const struct jl_device *device) {
    emit(board, "$scope module %s $end\n", device->scope);
    if (!device->machine->pin_changed && device->glass.light_wired) {
        declare(board, device->pin_wires[JL_DEVICE_LIGHT], "light");
    }
    if (device->i2c) {
        declare(board, device->i2c->scl, "scl");
        declare(board, device->i2c->sda, "sda");
    }
    if (device->stream) {
        declare_stream(board, device, device->stream);
    }
    if (device->rgb_wires) {
        declare_rgb(board, device->rgb_wires, device->rgb_lines);
    }
    static const struct {
        const char *name;
        enum jl_device_pin pin;
    } outputs[] = {{"te", JL_DEVICE_TE}, {"busy", JL_DEVICE_BUSY}, {"pen", JL_DEVICE_PEN}};
    for (size_t i = 0; i < sizeof outputs / sizeof outputs[0]; i++) {
        if (device->machine->outputs >> outputs[i].pin & 1) {
            declare(board, device->pin_wires[outputs[i].pin], outputs[i].name);
        }
    }
    if (device->machine->chips) {
        declare(board, device->pin_wires[JL_DEVICE_CHIP1], "chip1");
        declare(board, device->pin_wires[JL_DEVICE_CHIP2], "chip2");
        if (device->glass.width > 128) {
            declare(board, device->pin_wires[JL_DEVICE_CHIP3], "chip3");
        }
    }
    if (device->machine->pin_changed) {
        declare_pins(board, device);
    }
    if (device->machine->reset) {
        declare(board, device->pin_wires[JL_DEVICE_RESET], "reset");
    }
    emit(board, "$upscope $end\n");
}

bool jl_board_record(struct jl_board *board, jl_record_fn sink, void *context) {
    if (jl_sim_board_records(board)) {
        return false;
    }
    board->recorder = (struct recorder){.sink = sink, .context = context};
    memset(board->recorder.stamp, '0', sizeof board->recorder.stamp);
    emit(board, "$version Jade Lamp board $end\n$timescale 1 ns $end\n");
    for (size_t i = 0; i < board->device_count; i++) {
        declare_device(board, board->devices[i]);
    }
    emit(board, "$enddefinitions $end\n#%llu\n$dumpvars\n",
         (unsigned long long)to_ns(board->now_ps));
    board->recorder.last_ns = to_ns(board->now_ps);
    for (wire_id wire = 0; wire < board->wire_count; wire++) {
        char id[4];
        if (board->declared[wire]) {
            emit(board, "%d%s\n", board->levels[wire], identifier(wire, id));
        }
    }
    emit(board, "$end\n");
    flush(&board->recorder);
    return !board->recorder.failed;
}

bool jl_board_record_end(struct jl_board *board) {
    if (!jl_sim_board_records(board)) {
        return false;
    }
    struct recorder *recorder = &board->recorder;
    /* What the bus told of times to come belongs to the last bit: all of it, then the end. */
    jl_sim_recorder_write_until(board, UINT64_MAX);
    if (to_ns(board->now_ps) > recorder->last_ns) {
        mark_time(board, board->now_ps);
    }
    flush(recorder);
    bool good = !recorder->failed;
    free(recorder->waiting);
    *recorder = (struct recorder){0};
    return good;
}
