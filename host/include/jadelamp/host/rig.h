/*
 * A rig: a card brought to life. Board, bus, emulated controller, port, panel
 * and frame, ready to be woken.
 */
#ifndef JADELAMP_HOST_RIG_H
#define JADELAMP_HOST_RIG_H

#include "jadelamp/char_panel.h"
#include "jadelamp/epaper.h"
#include "jadelamp/touch.h"
#include "jadelamp/host/card.h"
#include "jadelamp/host/file.h"
#include "jadelamp/sim/sim_port.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Read the members freely; the board owns bus and device. Not to be moved while open. */
struct jl_rig {
    struct jl_card card;
    bool is_guest; /**< the board is another rig's */
    struct jl_board *board;
    struct jl_device *device;
    struct jl_sim_port sim;
    struct jl_sim_hand hand; /**< keys and knob; nothing is pressed */
    struct jl_port port;
    struct jl_controller controller; /**< as the card has it strapped */
    struct jl_panel_config config;
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    /* Of e-paper. */
    struct jl_epaper_config paper;
    struct jl_epaper epaper;
    uint16_t work_memory[256];
    uint8_t *pixels;
    /* Of glass that is scanned out: frames, or line buffers that are filled from `frame`. */
    struct jl_scanout scanout;
    struct jl_scanout_lines lines;
    /* Where the card has touch; then with a port of its own. */
    struct jl_device *touch_device;
    struct jl_sim_port touch_sim;
    struct jl_port touch_port;
    struct jl_touch_config touch_config;
    struct jl_touch touch; /**< open, and not woken; turned as the card says */
    /* Of a character module, instead of panel and frame. */
    struct jl_device *expander;
    struct jl_char_expander outputs;
    struct jl_char_config cells_config;
    struct jl_char_wire slow_wire; /* of parts that take longer to clear */
    struct jl_char_panel cells;
    uint8_t cell_memory[JL_CHAR_BUFFER_BYTES(40, 4)]; /**< in use; pass NULL to send at once */
};

/** Builds a rig for a card (copied). After a failure there is nothing to close. */
bool jl_rig_open(struct jl_rig *rig, const struct jl_card *card, struct jl_complaint *complaint);

/**
 * The same on the board of a rig that is open, as a product with several panels has it. Two panels
 * on I2C share its bus, as do two on SPI of one mode; all others get a bus of their own. Each SPI
 * panel keeps its clock; an I2C bus runs at the slowest one. The software's overhead is that of
 * the rig that was there first. A panel that could not be opened stays on the board, unused.
 *
 * @param beside outlives this rig. NULL: the same as jl_rig_open()
 */
bool jl_rig_open_beside(struct jl_rig *rig, const struct jl_card *card, struct jl_rig *beside,
                        struct jl_complaint *complaint);

/**
 * The same with the controller and the glass of another card: what one description does to another
 * panel, such as an sh1106 that is taken for an ssd1306. The address is the other card's; bus,
 * clock and software are the first one's.
 *
 * @return false also when the bus does not reach that controller at all
 */
bool jl_rig_open_on(struct jl_rig *rig, const struct jl_card *card, const struct jl_card *glass,
                    struct jl_complaint *complaint);

/** Frees everything; harmless on a closed or zeroed rig. Guests first. */
void jl_rig_close(struct jl_rig *rig);

/**
 * Wakes the rig's panel: jl_panel_wake(), or jl_char_wake(). Where it is scanned out, that begins,
 * too, as the card says: with one or two frames, or line buffers.
 */
jl_status jl_rig_wake(struct jl_rig *rig);

/** The frame to draw on, of a rig that is awake and no character module. */
struct jl_frame *jl_rig_frame(struct jl_rig *rig);

/** Brings it on the glass: jl_panel_present(); or the next vertical sync, which is waited for. */
jl_status jl_rig_present(struct jl_rig *rig);

/** The colours of a rig whose frames have a palette: 3-3-2. Constant. */
const jl_color *jl_rig_palette(void);

/** What the card of glass that is scanned out says to a display peripheral; and of the glass. For
 * boards of one's own. */
struct jl_rgb_source jl_rig_rgb_source(const struct jl_card *card);
struct jl_rgb_panel jl_rig_rgb_panel(const struct jl_card *card);

/** Virtual microseconds since the board started. */
double jl_rig_now_us(const struct jl_rig *rig);

/** Bytes moved on the rig's bus so far, addresses included, those of other panels on it too; of
 * glass that is scanned out also those that left memory for it. */
uint64_t jl_rig_bus_bytes(const struct jl_rig *rig);

/** Records all wires of the board into a file that was begun, until jl_rig_record_end(). The file
 * stays the caller's, who commits or abandons it after that. */
void jl_rig_record(struct jl_rig *rig, struct jl_file *file);

/** Ends that. When not all was recorded, jl_file_commit() will fail and say why. */
void jl_rig_record_end(struct jl_rig *rig, struct jl_file *file);

/**
 * What is on the glass, as the panel is mounted: a picture that the card turns by a quarter is
 * seen upright, as a person sees it who turned the panel. A pixel a pixel, white where a panel of
 * one colour is lit. The caller frees it. False: no memory.
 */
bool jl_rig_look(struct jl_rig *rig, struct jl_picture *glass);

/**
 * The glass as it looks, mounted as jl_rig_look(); at a scale of 2..32 pixels for one. A new
 * picture. False: no memory, or another scale.
 */
bool jl_rig_photo(struct jl_rig *rig, int scale, struct jl_picture *photo);

/**
 * Calibrates the rig's touch as a person without fault would: presses three places of the upright
 * glass, and lifts the finger again. For glass whose numbers are not pixels.
 *
 * @param map receives the map, which the touch panel takes; must outlive the rig
 */
jl_status jl_rig_calibrate(struct jl_rig *rig, struct jl_touch_map *map);

/** Most pictures in a film of an update. */
enum { JL_RIG_MOST_PHASES = 24 };

/**
 * Presents the rig's frame on e-paper, and photographs the glass while it changes: `count` photos
 * from the start to the end of the update, the first ones closer to each other, since it flashes at
 * the beginning; side by side, each with its time below.
 *
 * @param count 2..JL_RIG_MOST_PHASES
 * @param columns of the sheet
 * @param sheet a new picture; empty (rgb NULL) when the present was refused
 * @param status receives what the present gave
 * @return false after complaining: no e-paper, no memory. Then there is no sheet
 */
bool jl_rig_film_update(struct jl_rig *rig, int count, int columns, struct jl_picture *sheet,
                        jl_status *status, struct jl_complaint *complaint);

/**
 * Lets the light come up (200 ms of virtual time) and writes BASE-glass.png (jl_rig_look()) and
 * BASE-photo.png, mounted alike, into a directory.
 *
 * @param scale pixels of the photo for one of the glass, 2..32; 0: about 1000 for the longer
 *              side, at most 8 each
 */
bool jl_rig_photograph(struct jl_rig *rig, const char *directory, const char *base, int scale,
                       struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
