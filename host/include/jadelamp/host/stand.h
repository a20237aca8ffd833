/*
 * A test stand for firmware: the panel of a card on a board, a program's bytes to it, and what is
 * expected then. For test programs of one's own, such as CTest runs; the driver under test may be
 * this library's or any other.
 *
 *   #include <jadelamp/host/stand.h>
 *
 *   int main(void) {
 *       struct jl_stand *stand = jl_stand_open("ssd1306-128x64-i2c", "greeting");
 *       screen_start(stand);                  // a driver of one's own, which calls
 *       screen_greet(stand);                  // jl_stand_i2c_write() to send
 *       JL_EXPECT_GLASS(stand, "expected/greeting.png");
 *       JL_EXPECT_BYTES(stand, 1100);
 *       JL_EXPECT_NO_FINDINGS(stand);
 *       return jl_stand_close(stand);
 *   }
 *
 * An expectation that is not met says on stderr where it stands in the test, and what was seen. The
 * working directory has NAME.vcd then, with all wires, and what is named with the expectation.
 *
 * All calls do nothing for a NULL stand. One stand is not to be used by two threads at once.
 */
#ifndef JADELAMP_HOST_STAND_H
#define JADELAMP_HOST_STAND_H

#include "jadelamp/host/fault.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_stand;

/**
 * Puts the panel of a card on a board: nothing was sent to it.
 *
 * @param card a file, or the name of a card that ships
 * @param name of the test, for messages and files; copied
 * @return NULL: that was not possible, and stderr says why
 */
struct jl_stand *jl_stand_open(const char *card, const char *name);

/**
 * Says how many expectations there were, and frees the stand.
 *
 * @return for main(): 0 all were met; 1 some were not, or there was none; 2 the stand is NULL, or a
 *         file could not be written
 */
int jl_stand_close(struct jl_stand *stand);

/** The rig of the stand, for whatever is not here: its board, its device, its card. */
struct jl_rig *jl_stand_rig(struct jl_stand *stand);

/** Puts a fault on the board, as jl_fault_read() reads it. One that cannot be fails the test. */
void jl_stand_fault(struct jl_stand *stand, const char *fault);

/* ---- a driver with this library ---- */

/** The port to the panel. NULL: no stand. */
const struct jl_port *jl_stand_port(struct jl_stand *stand);

/* ---- a driver of one's own: its bytes, and its pins ---- */

/*
 * Bytes take the time that the card's clock gives them. A call for another bus than the card's
 * fails the test.
 */

/** One I2C transfer, from START to STOP, to a 7-bit address. True: every byte was acknowledged;
 * behind one that was not, none is sent. */
bool jl_stand_i2c_write(struct jl_stand *stand, uint8_t address, const uint8_t *bytes,
                        size_t count);

/** One I2C transfer that reads. False: nobody acknowledged the address. */
bool jl_stand_i2c_read(struct jl_stand *stand, uint8_t address, uint8_t *bytes, size_t count);

/** SPI, 8080 and 6800: bytes with CS and D/C as they are. Of 16 lines, in this machine's order. */
void jl_stand_write(struct jl_stand *stand, const uint8_t *bytes, size_t count);

/** The same as words of nine bits on SPI, the first one being `data`. */
void jl_stand_write_nine(struct jl_stand *stand, bool data, const uint8_t *bytes, size_t count);

/** SPI, 8080 and 6800: reads bytes; jl_stream_read(). */
void jl_stand_read(struct jl_stand *stand, uint8_t *bytes, size_t count);

/** Drives a pin: JL_DEVICE_RESET, JL_DEVICE_CS, JL_DEVICE_DC (RS of character modules), their
 * JL_DEVICE_E and JL_DEVICE_D0 to D7, JL_DEVICE_LIGHT. */
void jl_stand_drive(struct jl_stand *stand, enum jl_device_pin pin, bool high);

/** The level of a pin, such as JL_DEVICE_BUSY. Looking takes half a microsecond, so that loops
 * around it end. */
bool jl_stand_level(struct jl_stand *stand, enum jl_device_pin pin);

/** Lets virtual time pass: a delay of the driver. */
void jl_stand_wait_us(struct jl_stand *stand, uint32_t microseconds);

/* ---- what it cost ---- */

/** Counts bytes and time from here on. */
void jl_stand_mark(struct jl_stand *stand);

/** Bytes on the bus since the mark, addresses included. */
uint64_t jl_stand_bytes(const struct jl_stand *stand);

/** Virtual time since the mark without waits of the driver, looks at pins, and expectations. */
double jl_stand_wire_us(const struct jl_stand *stand);

/* ---- what is expected ---- */

/*
 * All return whether it is so. JL_EXPECT_GLASS lets 200 ms of virtual time pass first: the light
 * comes up. It compares pixel by pixel, upright as the card says; white is a lit pixel where there
 * is one colour. When it is not so, NAME-glass.png and NAME-difference.png are written, NAME being
 * the test's and the picture's.
 */
#define JL_EXPECT_GLASS(stand, png) jl_stand_glass((stand), (png), __FILE__, __LINE__)
/** The text on a character module, line by line; blanks at the ends of lines do not count. */
#define JL_EXPECT_TEXT(stand, lines) jl_stand_text((stand), (lines), __FILE__, __LINE__)
/** At most so many bytes since the mark. */
#define JL_EXPECT_BYTES(stand, most) jl_stand_most_bytes((stand), (most), __FILE__, __LINE__)
/** At most so many microseconds on the wire since the mark. */
#define JL_EXPECT_WIRE_US(stand, most) jl_stand_most_us((stand), (most), __FILE__, __LINE__)
/** No diagnostic above a note, and the glass is not dark. */
#define JL_EXPECT_NO_FINDINGS(stand) jl_stand_no_findings((stand), __FILE__, __LINE__)
/** Anything else, such as a status. */
#define JL_EXPECT(stand, condition)                                                                \
    jl_stand_holds((stand), (condition), #condition, __FILE__, __LINE__)

bool jl_stand_glass(struct jl_stand *stand, const char *png, const char *file, int line);
bool jl_stand_text(struct jl_stand *stand, const char *lines, const char *file, int line);
bool jl_stand_most_bytes(struct jl_stand *stand, uint64_t most, const char *file, int line);
bool jl_stand_most_us(struct jl_stand *stand, double most, const char *file, int line);
bool jl_stand_no_findings(struct jl_stand *stand, const char *file, int line);
bool jl_stand_holds(struct jl_stand *stand, bool condition, const char *text, const char *file,
                    int line);

#ifdef __cplusplus
}
#endif

#endif
