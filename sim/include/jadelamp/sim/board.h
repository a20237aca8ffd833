/*
 * The board: simulated hardware on the desktop. A virtual clock, wires, buses,
 * emulated controllers, faults and a recorder. Nothing here waits for real time
 * and nothing is random but the seeded noise, so every run is the same.
 *
 * Ownership: the board owns its buses and devices; jl_board_destroy() frees
 * all of them. One board must not be used by two threads at once.
 */
#ifndef JADELAMP_SIM_BOARD_H
#define JADELAMP_SIM_BOARD_H

#include <stddef.h>

#include "jadelamp/sim/codes.h"
#include "jadelamp/sim/glass.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_board;
struct jl_device;
struct jl_i2c_bus;
struct jl_stream_bus;
struct jl_emulated_part;

/* ---- the board and its clock ---- */

/** A board at time 0. The seed makes the RAM noise of its devices. NULL: no memory. */
struct jl_board *jl_board_create(uint64_t noise_seed);

/** Frees the board and all on it; NULL is fine. */
void jl_board_destroy(struct jl_board *board);

/** Virtual time since jl_board_create(), picoseconds. */
uint64_t jl_board_now_ps(const struct jl_board *board);

/** Lets virtual time pass. */
void jl_board_wait_ps(struct jl_board *board, uint64_t picoseconds);

/**
 * Goes to a time, for what happens at times of its own, such as a capture that is played back:
 * edges by jl_device_set_pin(), bytes by jl_i2c_see_...() and jl_stream_see(). False: it is
 * past, and the time stays.
 */
bool jl_board_go_to_ps(struct jl_board *board, uint64_t at_ps);

/**
 * Is called as virtual time passes, in the middle of waits and transfers, too. It may look at
 * devices, set pins and move fingers; it must not let time pass.
 *
 * @return when it is to be called again; what is not later than now is the next picosecond
 */
typedef uint64_t (*jl_time_fn)(void *context, uint64_t now_ps);

/** For programs that show the board as it goes: the first call is with the next time that passes.
 * NULL ends it. */
void jl_board_on_time(struct jl_board *board, jl_time_fn fn, void *context);

/* ---- diagnostics: what a controller found wrong ---- */

enum jl_severity {
    JL_SEVERITY_NOTE,    /**< worth knowing, the picture is right */
    JL_SEVERITY_WARNING, /**< works on the bench, may fail in the field */
    JL_SEVERITY_ERROR,   /**< the picture or the panel's state is wrong */
};

/** "note", "warning" or "error". The text is static. */
const char *jl_severity_name(enum jl_severity severity);

/**
 * What was found, once however often it was. Of one kind, at most 32 that differ in their numbers
 * are told for a device, so that a flood of one hides no other.
 */
struct jl_diagnostic {
    uint64_t at_ps, last_ps; /**< the first and the last time */
    uint32_t count;          /**< how often */
    enum jl_severity severity;
    enum jl_code code;  /**< what kind of mistake: jl_code_name() (codes.h) */
    const char *device; /**< name of the device, or of a bus: "i2c", "spi", "8080", "6800" */
    const char *part;   /**< its part number; the same for a bus */
    uint64_t byte;      /**< on its bus: bytes before the one in which it was first found */
    char text[176];
};

/** The first 256 that differ, oldest first; later ones are only counted. */
size_t jl_board_diagnostics(const struct jl_board *board, const struct jl_diagnostic **list);

/** How many were found in all, repeats among them. */
size_t jl_board_diagnostic_total(const struct jl_board *board);

/** Gets each as it is found, repeats among them (with their count so far). Not to be called back
 * into the board from. */
typedef void (*jl_diagnostic_fn)(void *context, const struct jl_diagnostic *diagnostic);

/** For programs that show them live. NULL ends it. */
void jl_board_on_diagnostic(struct jl_board *board, jl_diagnostic_fn fn, void *context);

/* ---- devices ---- */

/**
 * Puts an emulated controller with its glass on the board and powers it: its
 * RAM holds noise.
 *
 * @param ops   such as &jl_emulated_ssd1306 (emulators.h)
 * @param name  copied; also the scope of its wires in a recording. When another device has it,
 *              "_2" and so on is put behind it
 * @param glass copied
 * @return NULL when there is no memory, no place (32 devices), or the glass
 *         does not fit the controller
 */
struct jl_device *jl_board_add_device(struct jl_board *board, const struct jl_emulated_part *ops,
                                      const char *name, const struct jl_glass *glass);

/** Pins of a device. The first three start high; the next three are outputs of devices. */
enum jl_device_pin {
    JL_DEVICE_RESET,
    JL_DEVICE_DC,
    JL_DEVICE_CS,
    JL_DEVICE_TE,    /**< high while it scans no line of the glass */
    JL_DEVICE_BUSY,  /**< whether it takes commands now; the level is the part's */
    JL_DEVICE_PEN,   /**< whether something touches it; the level is the part's */
    JL_DEVICE_E,     /**< of character modules, as the rest; RS is JL_DEVICE_DC. Starts low */
    JL_DEVICE_E2,    /**< of the second controller; starts low */
    JL_DEVICE_RW,    /**< starts low */
    JL_DEVICE_LIGHT, /**< the backlight, where the glass has it wired; starts low */
    JL_DEVICE_VCOM,  /**< EXTCOMIN of memory LCDs; starts low */
    JL_DEVICE_CHIP1, /**< of glass with several controllers; starts high, as if selected */
    JL_DEVICE_CHIP2, /**< the same */
    JL_DEVICE_CHIP3, /**< the same */
    JL_DEVICE_D0,    /**< D0..D7 follow each other; pulled high */
    JL_DEVICE_D7 = JL_DEVICE_D0 + 7,
};

/** Drives a pin of a device, at the board's time. */
void jl_device_set_pin(struct jl_device *device, enum jl_device_pin pin, bool high);

/** Drives JL_DEVICE_LIGHT by PWM: high for a share of the time, of 65535. */
void jl_device_set_light(struct jl_device *device, uint16_t duty);

/** The level of a pin now. */
bool jl_device_pin(struct jl_device *device, enum jl_device_pin pin);

/** Pulls the plug (no answer, no effect), or plugs in again: then it powers up anew. */
void jl_device_set_plugged(struct jl_device *device, bool plugged);

/**
 * The temperature around the glass, 25 C at first: e-paper is slower in the cold. Not in the
 * middle of an update.
 */
void jl_device_temperature(struct jl_device *device, int celsius);

/** Pixels of the upright glass; right and bottom are included. */
struct jl_box {
    int left, top, right, bottom;
};

/**
 * Where on the glass the data go that come now, by the window and the directions as they are set.
 * False: nowhere on it, or the part has no windows that are known here.
 */
bool jl_device_data_box(struct jl_device *device, struct jl_box *box);

/** Bits a pixel of the data that came last; 0: none came, or it is not known. */
unsigned jl_device_data_depth(const struct jl_device *device);

/**
 * Places of the memory that data were written to since it was put on the board, be they pixels,
 * bytes of eight of them, or characters; and how many of them held something else before. Where
 * there is no difference, a program sends what the memory has already.
 */
void jl_device_stored(const struct jl_device *device, uint64_t *places, uint64_t *anew);

/**
 * What a program does on purpose, so that it is not found wrong: a mirrored picture, as for a
 * projector; a negative.
 */
void jl_device_intend(struct jl_device *device, bool mirrored, bool negative);

/** Part number of the controller. */
const char *jl_device_part(const struct jl_device *device);

/** The glass of a device. */
const struct jl_glass *jl_device_glass(const struct jl_device *device);

/**
 * The logical picture on the glass now: white where a pixel is lit. A new
 * picture; the caller frees it. False: no memory.
 */
bool jl_device_picture(struct jl_device *device, struct jl_picture *picture);

/**
 * The same as a person would have seen it: each line of the glass as it was when the
 * controller scanned it last, so a picture written across the scan is torn. On controllers
 * without scan-out in the emulation it is jl_device_picture().
 */
bool jl_device_seen(struct jl_device *device, struct jl_picture *picture);

/** How brightly lit pixels shine now, with a backlight that is dimmed: 0 when the glass is dark,
 * else 1..255. */
uint8_t jl_device_brightness(struct jl_device *device);

/** Whether the light behind the glass is on; true where it always is, or the dots shine. */
bool jl_device_light_on(const struct jl_device *device);

/** NULL when the glass is lit, else why it is dark, as a sentence. Constant memory. */
const char *jl_device_why_dark(struct jl_device *device);

/* ---- I2C (UM10204): the master's side, as any firmware would move it ---- */

/**
 * An I2C bus. @param clock_hz 1000..5000000. @param overhead_ns idle time before
 * each START, for what the master's software costs. NULL: no memory, no place
 * (8 buses of a kind) or a clock out of range.
 */
struct jl_i2c_bus *jl_board_add_i2c(struct jl_board *board, uint32_t clock_hz,
                                    uint32_t overhead_ns);

/** Connects a device at a 7-bit address. False: bad address or no place (16 devices). */
bool jl_i2c_attach(struct jl_i2c_bus *bus, struct jl_device *device, uint8_t address);

/** Lowers the clock of a bus that is faster, as for a device that came later. False: out of range.
 */
bool jl_i2c_slow_down(struct jl_i2c_bus *bus, uint32_t clock_hz);

/** START; takes one bit time, 1.4 when the bus is still open (repeated START). False: the bus is
 * stuck (25 ms of waiting passed). */
bool jl_i2c_start(struct jl_i2c_bus *bus);

/** Sends a byte; 9 bit times. True when somebody acknowledged. */
bool jl_i2c_write(struct jl_i2c_bus *bus, uint8_t byte);

/** Reads a byte, acknowledging it or not; 9 bit times. Nobody there reads as 0xFF. */
uint8_t jl_i2c_read(struct jl_i2c_bus *bus, bool acknowledge);

/** STOP; one bit time. */
void jl_i2c_stop(struct jl_i2c_bus *bus);

/** Bytes that were moved on the bus, addresses included. */
uint64_t jl_i2c_byte_count(const struct jl_i2c_bus *bus);

/**
 * Fault: of the bytes written from now on, number `index` (0 is the next) is not
 * acknowledged and does not arrive; then all later ones too, if `for_good`.
 */
void jl_i2c_fail_at(struct jl_i2c_bus *bus, uint64_t index, bool for_good);

/** Ends jl_i2c_fail_at(). */
void jl_i2c_heal(struct jl_i2c_bus *bus);

/** Fault: something holds SDA low, so that no START is possible, until released. */
void jl_i2c_hold_sda(struct jl_i2c_bus *bus, bool held);

/*
 * What a bus saw, at the board's time and without the times of a master of ours: no time passes.
 * The calls above are written on these.
 */

/** START, or a repeated one. */
void jl_i2c_see_start(struct jl_i2c_bus *bus);

/** STOP: bytes behind it reach nobody until the next START. */
void jl_i2c_see_stop(struct jl_i2c_bus *bus);

/** A byte of the master, each bit of which takes bit_ps. True when somebody would acknowledge. */
bool jl_i2c_see_byte(struct jl_i2c_bus *bus, uint8_t byte, uint64_t bit_ps);

/** A byte that the master reads: what the devices would send. */
uint8_t jl_i2c_see_read(struct jl_i2c_bus *bus);

/* ---- SPI, 8080 and 6800: to the devices that their CS pins select ---- */

/**
 * An SPI bus, most significant bit first. Mode 0 (clock idles low) or 3 (high). Else as
 * jl_board_add_i2c(); the clock may reach 200 MHz.
 */
struct jl_stream_bus *jl_board_add_spi(struct jl_board *board, uint32_t clock_hz,
                                       uint32_t overhead_ns, int mode);

/**
 * An 8080 bus. @param cycle_ns from strobe to strobe, 1..1000000. @param lines 8 or 16; with
 * 16 the transfers below take 16-bit words in this machine's order.
 */
struct jl_stream_bus *jl_board_add_8080(struct jl_board *board, uint32_t cycle_ns,
                                        uint32_t overhead_ns, int lines);

/**
 * A 6800 bus of 8 lines: bytes are taken as E falls. @param cycle_ns from pulse to pulse of E,
 * 1..1000000.
 */
struct jl_stream_bus *jl_board_add_6800(struct jl_board *board, uint32_t cycle_ns,
                                        uint32_t overhead_ns);

/** Connects a device. False: no place (16 devices), or the part has no such bus. */
bool jl_stream_attach(struct jl_stream_bus *bus, struct jl_device *device);

/** Straps a device for 3-wire SPI: words of 9 bits, D/C first. Before it is written to. */
void jl_device_three_wire(struct jl_device *device, bool three_wire);

/**
 * A module that was seen to work faster than the datasheet allows: down to this clock cycle
 * (SPI, I2C) or write cycle (8080) no bits are spoiled, and the warning is a note only.
 */
void jl_device_tolerates(struct jl_device *device, uint64_t cycle_ps);

/** Another SPI clock, for masters that talk to each device at its own. False: out of range,
 * an 8080 bus, or a transfer is under way. */
bool jl_stream_clock(struct jl_stream_bus *bus, uint32_t clock_hz);

/** Sends bytes to every device whose CS is low, after the overhead. A transfer under way ends
 * first. */
void jl_stream_write(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count);

/**
 * Bytes as a bus saw them, each taking unit_ps, from the board's time on: without the overhead
 * and the end of a transfer of ours. The time is behind the last one then.
 */
void jl_stream_see(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count, uint64_t unit_ps);

/** The same of a word of nine bits on SPI, the first one being `data`. */
void jl_stream_see_nine(struct jl_stream_bus *bus, uint8_t byte, bool data, uint64_t unit_ps);

/**
 * How slowly a master reads, since parts give their data later than they take any: a clock cycle
 * on SPI, from strobe to strobe on a parallel bus. Reads are never faster than writes; 0, as at
 * first: as fast.
 */
void jl_stream_read_cycle(struct jl_stream_bus *bus, uint64_t cycle_ps);

/**
 * Reads bytes from the devices that are selected: on SPI what comes while the clock runs (MISO,
 * or the one data line), on a parallel bus a strobe of RD each; on 16 lines D7..D0. Nobody there
 * reads as FF. Dummy clocks and bytes of the part are among what is read.
 */
void jl_stream_read(struct jl_stream_bus *bus, uint8_t *bytes, size_t count);

/** A byte that a master reads, or a word from 16 lines: what the devices give while unit_ps pass.
 */
uint16_t jl_stream_see_read(struct jl_stream_bus *bus, uint64_t unit_ps);

/**
 * What the selected devices put on the wires from now on, where somebody else moves them: the next
 * eight bits on MISO, or what a strobe reads from 8 or 16 lines. No time passes, and what goes out
 * on MOSI meanwhile is seen for itself.
 *
 * @param unit_ps the time of a byte, to judge how fast it is read; 0: not known
 * @param value   NULL: nothing is taken, it is only asked whether there is something
 * @return false: nobody drives them, as on SPI where nothing was asked; *value is not set
 */
bool jl_stream_gives(struct jl_stream_bus *bus, uint64_t unit_ps, uint16_t *value);

/** Whether a part can be read on SPI with a wire of its own for it (MISO, SDO). */
bool jl_part_gives_on_spi(const struct jl_emulated_part *part);

/** SPI only: each byte as nine bits, the first one being `data`. */
void jl_stream_write_nine(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count, bool data);

/** Sends `count` (1..4) bytes `times` times over as one transfer. */
void jl_stream_repeat(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count,
                      uint32_t times);

/**
 * Starts a DMA transfer and returns; bytes leave the caller's memory as virtual time passes.
 * What is overwritten in flight arrives overwritten, and is reported with the address and the
 * times. False: one is under way, or no memory.
 */
bool jl_stream_start(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count);

/** Whether a DMA transfer is under way. */
bool jl_stream_busy(const struct jl_stream_bus *bus);

/** Virtual time until it is out; 0: none is under way. */
uint64_t jl_stream_left_ps(const struct jl_stream_bus *bus);

/** Lets time pass until a transfer under way is out. */
void jl_stream_finish(struct jl_stream_bus *bus);

/** Bytes that were moved on the bus. */
uint64_t jl_stream_byte_count(const struct jl_stream_bus *bus);

/* ---- recorder ---- */

/** Takes text of the recording; false stops it. */
typedef bool (*jl_record_fn)(void *context, const char *text, size_t bytes);

/**
 * Starts to record every wire as a value change dump (VCD, IEEE 1364-2005
 * clause 18), one scope a device, timescale 1 ns. Add all devices first.
 * False: already recording, or the sink refused the header.
 */
bool jl_board_record(struct jl_board *board, jl_record_fn sink, void *context);

/** Ends the recording with a last time mark. False: the sink had refused some text, or there was no
 * memory. */
bool jl_board_record_end(struct jl_board *board);

#ifdef __cplusplus
}
#endif

#endif
