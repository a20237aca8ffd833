/*
 * Captures on this machine, one core: how fast a recording of an ili9341 on SPI is written, read,
 * decoded and played, and how fast traffic is put into words.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <time.h>
#include <unistd.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/reading.h"
#include "jadelamp/host/rig.h"

enum { PICTURES = 2 };

static double now(void) {
    struct timespec time;
    clock_gettime(CLOCK_MONOTONIC, &time);
    return (double)time.tv_sec + (double)time.tv_nsec / 1e9;
}

static double megabytes(const char *path) {
    struct stat status;
    return stat(path, &status) == 0 ? (double)status.st_size / 1e6 : 0;
}

/* Wakes the panel and presents pictures. The seconds that it took; virtual ones in `wire`. */
static double record(const struct jl_card *card, const char *path, double *wire) {
    static struct jl_rig rig;
    struct jl_complaint complaint;
    struct jl_file file = {0};
    if (!jl_rig_open(&rig, card, &complaint) || !jl_file_begin(&file, path, &complaint)) {
        exit(1);
    }
    double start = now();
    jl_board_record(rig.board, jl_file_write, &file);
    jl_panel_wake(&rig.panel);
    for (int i = 0; i < PICTURES; i++) {
        jl_draw_test_card(&rig.frame.target, "bench");
        jl_frame_damage_all(&rig.frame);
        jl_panel_present(&rig.panel, &rig.frame);
    }
    jl_board_record_end(rig.board);
    jl_file_commit(&file, &complaint);
    double seconds = now() - start;
    *wire = (double)jl_board_now_ps(rig.board) / 1e12;
    jl_rig_close(&rig);
    return seconds;
}

static double read_only(const char *path) {
    struct jl_complaint complaint;
    struct jl_capture_item item;
    double start = now();
    struct jl_capture *capture = jl_capture_open(path, NULL, &complaint);
    while (capture && jl_capture_next(capture, &item, &complaint) == JL_CAPTURE_ITEM) {
    }
    jl_capture_close(capture);
    return now() - start;
}

static void count_event(void *context, const struct jl_bus_event *event) {
    *(uint64_t *)context += event->kind == JL_BUS_BYTE;
}

/* The names that our recorder gives. */
static enum jl_role role_of(const char *name) {
    const char *last = strrchr(name, '.') ? strrchr(name, '.') + 1 : name;
    return strcmp(last, "sck") == 0    ? JL_ROLE_CLOCK
           : strcmp(last, "mosi") == 0 ? JL_ROLE_MOSI
           : strcmp(last, "dc") == 0   ? JL_ROLE_DC
           : strcmp(last, "cs") == 0   ? JL_ROLE_CS
                                       : JL_ROLES;
}

static double read_and_decode(const char *path, uint64_t *bytes) {
    struct jl_complaint complaint;
    struct jl_capture_item item;
    const struct jl_capture_name *names;
    enum jl_role roles[64];
    double start = now();
    struct jl_capture *capture = jl_capture_open(path, NULL, &complaint);
    struct jl_decoder *decoder =
        jl_decoder_create(&(struct jl_decoding){.kind = JL_DECODE_SPI, .bits = 8, .has_cs = true},
                          count_event, bytes);
    if (!capture || !decoder) {
        exit(1);
    }
    for (int i = 0; i < 64; i++) {
        roles[i] = JL_ROLES;
    }
    for (size_t i = jl_capture_names(capture, &names); i > 0; i--) {
        roles[names[i - 1].wire & 63] = role_of(names[i - 1].name);
    }
    while (jl_capture_next(capture, &item, &complaint) == JL_CAPTURE_ITEM) {
        if (roles[item.wire & 63] != JL_ROLES) {
            jl_decoder_level(decoder, item.at_ps, roles[item.wire & 63], item.high);
        }
    }
    jl_decoder_end(decoder, jl_capture_now_ps(capture));
    jl_decoder_destroy(decoder);
    jl_capture_close(capture);
    return now() - start;
}

static void drop_line(void *context, const struct jl_reading_line *line) {
    (void)context;
    (void)line;
}

static double play(const char *path, const struct jl_card *card) {
    struct jl_complaint complaint;
    double start = now();
    struct jl_traffic *traffic = jl_traffic_open(path, card, NULL, &complaint);
    if (!traffic || !jl_reading_run(traffic, drop_line, NULL, &complaint)) {
        exit(1);
    }
    jl_traffic_close(traffic);
    return now() - start;
}

static void put_words(void *context, const struct jl_explained *explained) {
    char words[200];
    *(size_t *)context += strlen(jl_explain_words(explained, words, sizeof words)) + 1;
}

/* Commands a second: windows of one pixel, in words. */
static double explain(void) {
    static const uint8_t window[] = {0x2A, 0, 1, 0, 1, 0x2B, 0, 2, 0, 2, 0x2C, 0xF8, 0};
    enum { TIMES = 300000 };
    struct jl_explainer explainer;
    size_t letters = 0;
    double start = now();
    jl_explain_begin(&explainer, &jl_emulated_ili9341, put_words, &letters);
    for (int i = 0; i < TIMES; i++) {
        for (size_t k = 0; k < sizeof window; k++) {
            jl_explain_byte(&explainer, 0, 0, window[k], k != 0 && k != 5 && k != 10);
        }
    }
    jl_explain_end(&explainer);
    return 3.0 * TIMES / (now() - start);
}

int main(void) {
    static struct jl_card card;
    struct jl_complaint complaint;
    char path[] = "/tmp/jadelamp-bench-XXXXXX";
    int file = mkstemp(path);
    if (file < 0 || !jl_card_find("ili9341-240x320-spi", &card, &complaint)) {
        return 1;
    }
    close(file);
    double wire = 0;
    uint64_t bytes = 0;
    double recorded = record(&card, path, &wire);
    double size = megabytes(path);
    double plain = read_only(path), decoded = read_and_decode(path, &bytes);
    double played = play(path, &card);
    printf("A capture of %d pictures on an ili9341 over SPI at 10 MHz: %.0f MB, %.0f bytes on the "
           "wire, %.3f s\n",
           PICTURES, size, (double)bytes, wire);
    printf("  recorded                    %6.0f MB/s\n", size / recorded);
    printf("  read                        %6.0f MB/s\n", size / plain);
    printf("  read and decoded            %6.0f MB/s\n", size / decoded);
    printf("  read, decoded and played    %6.0f MB/s   %.2f of its real time\n", size / played,
           played / wire);
    printf("  commands put into words     %6.2f million a second\n", explain() / 1e6);
    remove(path);
    return 0;
}
