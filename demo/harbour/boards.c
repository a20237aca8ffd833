/* The boards of the harbour beside the gauge, and the ways to feed them. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "berth_plate.h"
#include "jadelamp/async.h"
#include "jadelamp/demo/harbour.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "lock_display.h"
#include "lock_glyphs.h"
#include "notice_board.h"
#include "sluice_sign.h"
#include "tide_table.h"
#include "csv_table.h"
#include "data_path.h"
#include "tide_board.h"

enum {
    MOST_WINDS = 48,
    MOST_BERTHS = 16,
    MOST_LOCKS = 48,
    MOST_NOTICES = 8,
    NOTICE_BYTES = 120,
    BOAT_BYTES = 60,
    BAND_ROWS = 16,
    FILM_PHASES = 8,
    FILM_COLUMNS = 2
};

/* What the harbour office's tables say. */
struct harbour {
    struct jl_tide_table tide;
    struct {
        int minute;
        struct wind_reading wind;
    } winds[MOST_WINDS];
    int wind_count;
    struct berth berths[MOST_BERTHS];
    int berth_count;
    struct lock_reading locks[MOST_LOCKS];
    char boats[MOST_LOCKS][BOAT_BYTES];
    int lock_count;
    struct {
        int minute;
        char text[NOTICE_BYTES];
    } notices[MOST_NOTICES];
    int notice_count;
};

/* ---- the tables ---- */

static bool take_wind(void *context, const struct table_place *place,
                      char *const fields[TABLE_FIELDS], struct jl_complaint *complaint) {
    struct harbour *harbour = context;
    long degrees, knots;
    int minute;
    if (harbour->wind_count == MOST_WINDS || !table_minute(fields[0], &minute) ||
        !table_number(fields[1], 0, 359, &degrees) || !table_number(fields[2], 0, 99, &knots)) {
        return jl_complain(complaint,
                           "%s:%d: read \"%s\", expected a time, degrees and knots, such as "
                           "09:00,262,18 (at most %d rows)",
                           place->path, place->line, place->text, MOST_WINDS);
    }
    harbour->winds[harbour->wind_count].minute = minute;
    harbour->winds[harbour->wind_count++].wind =
        (struct wind_reading){(int16_t)degrees, (int16_t)knots};
    return true;
}

static bool take_berth(void *context, const struct table_place *place,
                       char *const fields[TABLE_FIELDS], struct jl_complaint *complaint) {
    struct harbour *harbour = context;
    struct berth *berth = &harbour->berths[harbour->berth_count];
    long length;
    if (harbour->berth_count == MOST_BERTHS || strlen(fields[0]) >= sizeof berth->name ||
        strlen(fields[1]) >= sizeof berth->boat || !table_number(fields[2], 0, 9999, &length) ||
        strlen(fields[3]) >= sizeof berth->until) {
        return jl_complain(complaint,
                           "%s:%d: read \"%s\", expected berth, boat, centimetres and date, such "
                           "as 7,Sandpiper,780,26 Nov (at most %d rows)",
                           place->path, place->line, place->text, MOST_BERTHS);
    }
    snprintf(berth->name, sizeof berth->name, "%s", fields[0]);
    snprintf(berth->boat, sizeof berth->boat, "%s", fields[1]);
    snprintf(berth->until, sizeof berth->until, "%s", fields[3]);
    berth->length_cm = (int16_t)length;
    harbour->berth_count++;
    return true;
}

static bool take_lock(void *context, const struct table_place *place,
                      char *const fields[TABLE_FIELDS], struct jl_complaint *complaint) {
    struct harbour *harbour = context;
    int row = harbour->lock_count, minute;
    long cm[3];
    bool good =
        row < MOST_LOCKS && table_minute(fields[0], &minute) && strlen(fields[4]) < BOAT_BYTES;
    for (int i = 0; i < 3 && good; i++) {
        good = table_number(fields[1 + i], 0, 500, &cm[i]);
    }
    if (!good) {
        return jl_complain(complaint,
                           "%s:%d: read \"%s\", expected a time, three levels of 0 to 500 cm and a "
                           "boat, such as 08:40,411,411,77,Sandpiper (at most %d rows)",
                           place->path, place->line, place->text, MOST_LOCKS);
    }
    snprintf(harbour->boats[row], BOAT_BYTES, "%s", fields[4]);
    harbour->locks[row] = (struct lock_reading){(int16_t)minute, (int16_t)cm[0], (int16_t)cm[1],
                                                (int16_t)cm[2], harbour->boats[row]};
    harbour->lock_count++;
    return true;
}

static bool take_notice(void *context, const struct table_place *place,
                        char *const fields[TABLE_FIELDS], struct jl_complaint *complaint) {
    struct harbour *harbour = context;
    int minute;
    if (harbour->notice_count == MOST_NOTICES || !table_minute(fields[0], &minute) ||
        strlen(fields[1]) >= NOTICE_BYTES) {
        return jl_complain(complaint,
                           "%s:%d: read \"%s\", expected a time and a notice of up to %d bytes, "
                           "such as 08:30,Gale from the west (at most %d rows)",
                           place->path, place->line, place->text, NOTICE_BYTES - 1, MOST_NOTICES);
    }
    harbour->notices[harbour->notice_count].minute = minute;
    snprintf(harbour->notices[harbour->notice_count++].text, NOTICE_BYTES, "%s", fields[1]);
    return true;
}

static bool read_harbour(const char *data, struct harbour *harbour,
                         struct jl_complaint *complaint) {
    char path[1024];
    memset(harbour, 0, sizeof *harbour);
    return data_path(path, sizeof path, data, "data", "tide", ".csv", complaint) &&
           jl_tide_read(path, &harbour->tide, complaint) &&
           data_path(path, sizeof path, data, "data", "wind", ".csv", complaint) &&
           table_read(path, "time,degrees,knots", take_wind, harbour, complaint) &&
           data_path(path, sizeof path, data, "data", "berths", ".csv", complaint) &&
           table_read(path, "berth,boat,length_cm,until", take_berth, harbour, complaint) &&
           data_path(path, sizeof path, data, "data", "lock", ".csv", complaint) &&
           table_read(path, "time,upper_cm,chamber_cm,lower_cm,boat", take_lock, harbour,
                      complaint) &&
           data_path(path, sizeof path, data, "data", "notices", ".csv", complaint) &&
           table_read(path, "from,notice", take_notice, harbour, complaint);
}

/* The last reading not after a minute; the first one before all of them. */
static int height_at(const struct jl_tide_table *tide, int minute) {
    int row = 0;
    while (row + 1 < tide->count && tide->rows[row + 1].minute <= minute) {
        row++;
    }
    return tide->rows[row].height_cm;
}

static struct wind_reading wind_at(const struct harbour *harbour, int minute) {
    int row = 0;
    while (row + 1 < harbour->wind_count && harbour->winds[row + 1].minute <= minute) {
        row++;
    }
    return harbour->winds[row].wind;
}

static struct lock_reading lock_at(const struct harbour *harbour, int minute) {
    int row = 0;
    while (row + 1 < harbour->lock_count && harbour->locks[row + 1].minute <= minute) {
        row++;
    }
    struct lock_reading reading = harbour->locks[row];
    reading.minute = (int16_t)minute;
    return reading;
}

/* ---- the boards; step 0 and step 1 ---- */

static int minute_of_step(int step) {
    return step ? 8 * 60 + 50 : 8 * 60 + 40;
}

/* A frame, and a shadow of it: only what differs is sent. */
static jl_status show_tide_board(struct jl_rig *rig, const struct harbour *harbour, int step,
                                 uint8_t *memory) {
    struct tide_board board = {.minute = (int16_t)minute_of_step(step)};
    for (int hour = 0; hour < TIDE_BOARD_HEIGHTS; hour++) {
        board.heights[hour] = (int16_t)height_at(&harbour->tide, hour * 60);
    }
    board.height_cm = (int16_t)height_at(&harbour->tide, board.minute);
    board.wind = wind_at(harbour, board.minute);
    tide_board_draw(&rig->frame.target, &board);
    return jl_panel_present_changes(&rig->panel, &rig->frame, memory);
}

/* Sixteen colours: a quarter of the RAM, converted a row at a time. */
static jl_status show_berth_plate(struct jl_rig *rig, const struct harbour *harbour, int step,
                                  uint8_t *memory) {
    struct jl_frame frame;
    uint8_t row[135 * 2];
    int berth = step && harbour->berth_count > 1 ? harbour->berth_count - 1 : 0;
    jl_status status = jl_frame_init_palette(&frame, &jl_palette4, berth_palette, rig->panel.width,
                                             rig->panel.height, memory,
                                             JL_GREY4_BYTES(rig->panel.width, rig->panel.height));
    if (status == JL_OK) {
        berth_plate_draw(&frame.target, &harbour->berths[berth]);
        status = jl_panel_present_as(&rig->panel, &frame, row, sizeof row);
    }
    return status;
}

/* Two bands: one is drawn while the other is on the wire. */
static jl_status show_wind_dial(struct jl_rig *rig, const struct harbour *harbour, int step,
                                uint8_t *memory) {
    struct wind_reading wind = wind_at(harbour, minute_of_step(step));
    struct jl_async async;
    struct jl_bands bands;
    size_t bytes = JL_RGB565_BYTES(rig->panel.width, BAND_ROWS);
    jl_status status = jl_async_init(&async, &rig->panel, NULL, NULL);
    if (status == JL_OK) {
        status = jl_bands_begin_async(&bands, &async, memory, memory + bytes, bytes);
    }
    if (status != JL_OK) {
        return status;
    }
    while (jl_bands_next(&bands)) {
        wind_dial_draw(&bands.frame.target, 120, 120, 118, &wind);
    }
    return jl_bands_end(&bands);
}

/* A buffer of cells: only those that changed are sent, four bytes each. */
static jl_status show_lock_display(struct jl_rig *rig, const struct harbour *harbour, int step,
                                   uint8_t *memory) {
    (void)memory; /* the rig has the cells */
    struct lock_reading reading = lock_at(harbour, minute_of_step(step));
    jl_status status = lock_display_draw(&rig->cells, &reading, (uint16_t)step);
    return status == JL_OK ? jl_char_present(&rig->cells) : status;
}

static jl_status show_sluice_sign(struct jl_rig *rig, const struct harbour *harbour, int step,
                                  uint8_t *memory) {
    (void)memory;
    struct lock_reading lock = lock_at(harbour, minute_of_step(step));
    struct sluice_reading reading = {lock.minute, lock.upper_cm, lock.lower_cm};
    sluice_sign_draw(&rig->frame.target, &reading);
    return jl_panel_present(&rig->panel, &rig->frame);
}

/* High waters open the sluice from an hour before to half an hour behind them. */
static jl_status show_notice_board(struct jl_rig *rig, const struct harbour *harbour, int step,
                                   uint8_t *memory) {
    struct jl_complaint complaint = {""};
    jl_status status = JL_OK;
    struct notice_board board = {.minute = (int16_t)minute_of_step(step), .warning = ""};
    if (step) { /* the clock alone: black and white move, red stays */
        notice_board_clock(&rig->frame.target, board.minute);
        return jl_panel_present(&rig->panel, &rig->frame);
    }
    int row = -1;
    while (board.sluice_count < NOTICE_BOARD_TIMES &&
           (row = jl_tide_next_high(&harbour->tide, row + 1)) >= 0) {
        int minute = harbour->tide.rows[row].minute;
        board.sluice[board.sluice_count].opens = (int16_t)(minute > 60 ? minute - 60 : 0);
        board.sluice[board.sluice_count++].closes = (int16_t)(minute + 30);
    }
    for (int i = 0; i < harbour->notice_count; i++) {
        if (harbour->notices[i].minute <= board.minute) {
            board.warning = harbour->notices[i].text;
        }
    }
    notice_board_draw(&rig->frame.target, &board);
    /* The memory is a picture: the film. Without it there is none, and the board works. */
    jl_rig_film_update(rig, FILM_PHASES, FILM_COLUMNS, (struct jl_picture *)(void *)memory, &status,
                       &complaint);
    return status;
}

/* Where the tide turns: a height that is not between its neighbours. */
static jl_status show_tide_table(struct jl_rig *rig, const struct harbour *harbour, int step,
                                 uint8_t *memory) {
    (void)memory;
    const struct jl_tide_row *rows = harbour->tide.rows;
    struct tide_table table = {.minute = (int16_t)(minute_of_step(step) + 40 * step)};
    for (int i = 1; i + 1 < harbour->tide.count && table.turn_count < TIDE_TABLE_TURNS; i++) {
        int before = rows[i].height_cm - rows[i - 1].height_cm;
        int behind = rows[i + 1].height_cm - rows[i].height_cm;
        if ((before > 0 && behind <= 0) || (before < 0 && behind >= 0)) {
            table.turns[table.turn_count].minute = (int16_t)rows[i].minute;
            table.turns[table.turn_count].high = before > 0;
            table.turns[table.turn_count++].height_cm = (int16_t)rows[i].height_cm;
        }
    }
    for (int i = 0; i < TIDE_TABLE_HEIGHTS; i++) {
        table.heights[i] = (int16_t)height_at(&harbour->tide, i * 30);
    }
    if (step) {
        tide_table_now(&rig->frame.target, &table);
    } else {
        tide_table_draw(&rig->frame.target, &table);
    }
    return jl_panel_present(&rig->panel, &rig->frame);
}

static const struct {
    const char *card, *way;
    size_t pixel_bytes;  /* frames and bands */
    size_t memory_bytes; /* beside the rig's frame */
    jl_status (*show)(struct jl_rig *rig, const struct harbour *harbour, int step, uint8_t *memory);
    bool films; /* the memory is a picture then, made by show() */
} kinds[JL_DEMO_BOARDS] = {
    {"tide-board", "a frame and its shadow", 2 * JL_RGB565_BYTES(240, 320),
     JL_RGB565_BYTES(240, 320), show_tide_board, false},
    {"berth-plate", "a frame of 16 colours, converted by rows", JL_GREY4_BYTES(135, 240),
     JL_GREY4_BYTES(135, 240), show_berth_plate, false},
    {"wind-dial", "two bands of 16 rows, asynchronously", 2 * JL_RGB565_BYTES(240, BAND_ROWS),
     2 * JL_RGB565_BYTES(240, BAND_ROWS), show_wind_dial, false},
    {"lock-display", "a buffer of cells", JL_CHAR_BUFFER_BYTES(20, 4), 1, show_lock_display, false},
    {"sluice-sign", "a frame, and what changed of it", JL_MONO_COLUMNS_BYTES(84, 48), 1,
     show_sluice_sign, false},
    {"notice-board", "two planes; a full update, then its clock in a partial one",
     JL_BLACK_WHITE_RED_BYTES(128, 296), sizeof(struct jl_picture), show_notice_board, true},
    {"tide-table", "a frame; a full update, then a line of it in a partial one",
     JL_BLACK_WHITE_BYTES(400, 300), 1, show_tide_table, false},
};

static struct jl_wire_cost cost_since(const struct jl_rig *rig, double us, uint64_t bytes) {
    return (struct jl_wire_cost){jl_rig_now_us(rig) - us, jl_rig_bus_bytes(rig) - bytes};
}

static bool run_board(struct jl_rig *rig, int kind, const struct harbour *harbour, uint8_t *memory,
                      struct jl_demo_board *board, struct jl_complaint *complaint) {
    bool cells = board->card.cells.bus != JL_CELLS_NONE;
    if (cells) {
        rig->cells_config.glyphs = lock_glyphs;
        rig->cells_config.glyph_count = sizeof lock_glyphs / sizeof lock_glyphs[0];
    }
    jl_status status = cells ? jl_char_wake(&rig->cells) : jl_panel_wake(&rig->panel);
    board->wake = cost_since(rig, 0, 0);
    for (int step = 0; step < 2 && status == JL_OK; step++) {
        double us = jl_rig_now_us(rig);
        uint64_t bytes = jl_rig_bus_bytes(rig);
        status = kinds[kind].show(rig, harbour, step, memory);
        *(step ? &board->second : &board->first) = cost_since(rig, us, bytes);
    }
    board->diagnostics = jl_board_diagnostic_total(rig->board);
    if (cells) {
        jl_cells_text(rig->device, board->text, sizeof board->text);
    }
    return status == JL_OK || jl_complain(complaint, "the %s did not take a picture: %s",
                                          board->card.name, jl_status_text(status));
}

static bool show_board(const char *data, const char *directory, int kind,
                       const struct harbour *harbour, struct jl_demo_board *board,
                       struct jl_complaint *complaint) {
    char path[1024];
    struct jl_rig rig;
    *board = (struct jl_demo_board){
        .way = kinds[kind].way, .base = kinds[kind].card, .pixel_bytes = kinds[kind].pixel_bytes};
    if (!data_path(path, sizeof path, data, "cards", kinds[kind].card, ".card", complaint) ||
        !jl_card_read(path, &board->card, complaint) ||
        !jl_rig_open(&rig, &board->card, complaint)) {
        return false;
    }
    uint8_t *memory = calloc(1, kinds[kind].memory_bytes);
    bool good = memory || jl_complain(complaint, "out of memory for %s", path);
    good = good && run_board(&rig, kind, harbour, memory, board, complaint) &&
           jl_rig_photograph(&rig, directory, kinds[kind].card, 0, complaint);
    if (good && kinds[kind].films) {
        struct jl_picture *film = (struct jl_picture *)(void *)memory;
        board->has_film = film->rgb != NULL;
        good = !film->rgb || (jl_path_join(path, sizeof path, directory, kinds[kind].card,
                                           "-film.png", complaint) &&
                              jl_png_write(path, film, complaint));
        jl_picture_free(film);
    }
    free(memory);
    jl_rig_close(&rig);
    return good;
}

bool jl_demo_boards(const char *data, const char *directory,
                    struct jl_demo_board boards[JL_DEMO_BOARDS], struct jl_complaint *complaint) {
    static struct harbour harbour;
    bool good = read_harbour(data, &harbour, complaint) && jl_directory_make(directory, complaint);
    for (int kind = 0; kind < JL_DEMO_BOARDS && good; kind++) {
        good = show_board(data, directory, kind, &harbour, &boards[kind], complaint);
    }
    return good;
}
