/*
 * Panel cards: text files that describe a panel once. docs/panel-cards.md lists
 * every section, key and unit.
 */
#ifndef JADELAMP_HOST_CARD_H
#define JADELAMP_HOST_CARD_H

#include "jadelamp/host/catalog.h"
#include "jadelamp/host/complaint.h"
#include "jadelamp/panel.h"
#include "jadelamp/scanout.h"
#include "jadelamp/sim/cells.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_CARD_NAME_BYTES = 32, JL_CARD_WAKE_BYTES = 4096 };

/** A wire of the panel, "cs" or "d0" as the card names it, and the microcontroller's pin. */
enum { JL_CARD_PIN_BYTES = 24, JL_CARD_MOST_PINS = 40 };
struct jl_card_pin {
    char wire[12];
    char name[JL_CARD_PIN_BYTES];
};

/** What a character module has between it and the microcontroller. */
enum jl_cells_bus {
    JL_CELLS_NONE,
    JL_CELLS_PARALLEL_4,
    JL_CELLS_PARALLEL_8,
    JL_CELLS_EXPANDER,
    JL_CELLS_I2C, /**< the controller itself */
};

/** What only cards of character modules say. */
struct jl_card_cells {
    enum jl_cells_bus bus; /**< JL_CELLS_NONE: the card is of a graphic panel */
    bool reads_busy;       /**< R/W is wired */
    bool halves;
    bool european_rom; /**< A02 */
    bool only_ascii;   /**< programs have no table of a ROM: letters that all of them have */
    int millivolts;    /**< contrast voltage as trimmed; 0: the usual */
    struct jl_cells_wiring outputs;
};

/** What a card says of touch. */
struct jl_card_touch {
    const struct jl_touch_entry *controller; /**< NULL: no touch */
    uint8_t i2c_address;
    uint32_t clock_hz;
    uint8_t mounting; /**< sum of enum jl_turn: how the touch glass lies on the upright one */
};

/** How the memory of glass that is scanned out is used. */
enum jl_card_buffers { JL_BUFFERS_TWO, JL_BUFFERS_ONE, JL_BUFFERS_LINES };

/** The memory that frames lie in, as the card says; 0: not said. */
struct jl_card_memory {
    enum jl_card_buffers buffers;
    int16_t rows;            /**< of a line buffer */
    uint32_t bytes;          /**< there are for the frames */
    uint32_t bytes_s;        /**< that it gives to the display peripheral */
    uint32_t fifo_bytes;     /**< between the two */
    uint32_t refill_bytes_s; /**< that an interrupt fills into line buffers */
};

/** What only cards of glass that is scanned out say. */
struct jl_card_scanout {
    struct jl_scanout_config config;
    uint32_t link_hz;    /**< byte clock of a serial link in between; 0: none */
    uint32_t command_hz; /**< of the command port; 0: none */
    uint8_t host_lines;  /**< data lines of the microcontroller: 16, 18 or 24 */
    int8_t wires[3][8];  /**< as struct jl_rgb_panel has them */
    struct jl_card_memory memory;
};

/** A card as read. No pointers into itself but wake_steps: copy it freely. */
struct jl_card {
    char name[JL_CARD_NAME_BYTES];
    const struct jl_catalog_entry *controller; /**< in the catalog, constant */
    bool controller_left_out; /**< the card names none, and that one just fits the rest */
    int width, height;        /**< pixels; cells on a character module */
    int column_offset, row_offset;
    int ram_width, ram_height; /**< as strapped; 0 is all of the controller's */
    bool round;
    const struct jl_format *format;
    enum jl_bus_kind bus; /**< of a character module I2C or 6800: see cells.bus */
    struct jl_card_cells cells;
    uint8_t i2c_address;
    uint32_t clock_hz;    /**< I2C and SPI; pixel clock on RGB */
    uint32_t works_up_to; /**< Hz, SPI: a clock this module was seen to work at; 0: none */
    uint32_t cycle_ns;    /**< 8080, 6800 */
    uint32_t overhead_ns;
    int spi_mode;
    uint16_t most_body_bytes;
    uint8_t module; /**< sum of enum jl_module */
    uint8_t turn;   /**< sum of enum jl_turn */
    uint8_t contrast;
    bool inverted;
    enum jl_glass_kind glass_kind;
    struct jl_card_touch touch;
    struct jl_card_scanout scanout; /**< where bus is JL_BUS_RGB */
    size_t pin_count;
    struct jl_card_pin pins[JL_CARD_MOST_PINS]; /**< those that the card names */
    bool has_wake;                              /**< the card has wake-up steps of its own */
    uint16_t wake_bytes;
    uint8_t wake_steps[JL_CARD_WAKE_BYTES];
};

/**
 * Reads a card. On failure the complaint holds file:line, what was read and
 * what would be right, and the card is not to be used.
 */
bool jl_card_read(const char *path, struct jl_card *card, struct jl_complaint *complaint);

/** The same from text in memory; `name` stands for the path in complaints. */
bool jl_card_read_text(const char *name, const char *text, size_t bytes, struct jl_card *card,
                       struct jl_complaint *complaint);

/** Bytes of a step, as wake_steps and drivers have it (wake.h). */
size_t jl_card_step_length(const uint8_t *step);

/** The microcontroller's pin of a wire, such as "cs"; NULL: the card does not say. */
const char *jl_card_pin(const struct jl_card *card, const char *wire);

/** Whether the card names a pin for any key; and for both contacts of a knob. */
bool jl_card_has_keys(const struct jl_card *card);
bool jl_card_has_knob(const struct jl_card *card);

/** Whether its bus has a write cycle instead of a clock. */
bool jl_card_is_parallel(const struct jl_card *card);

/** Whether CS selects while it is high on the card's bus. */
bool jl_card_selects_high(const struct jl_card *card);

/**
 * Finds a card by a path, or by the name of a card that ships with Jade Lamp: from the folder that
 * JADELAMP_SHARE names, else from those that are in the library itself.
 */
bool jl_card_find(const char *path_or_name, struct jl_card *card, struct jl_complaint *complaint);

/**
 * The same for questions about which controller it is: the card may leave it out. Then `controller`
 * is one that fits the size and the bus, and controller_left_out says so. Not of character modules
 * and glass that is scanned out.
 */
bool jl_card_find_unnamed(const char *path_or_name, struct jl_card *card,
                          struct jl_complaint *complaint);

/** Bytes of the longest card. */
enum { JL_CARD_MOST_BYTES = 65536 };

/** The text of a card that jl_card_find() finds, as it stands there. The caller frees it. NULL:
 * complained. */
char *jl_card_source(const char *path_or_name, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
