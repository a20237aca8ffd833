/* Captures, VCD and CSV, down to the emulated panel: one of each kind of bus in turn. */
#include <stdlib.h>

#include "fuzz.h"
#include "jadelamp/host/reading.h"

static void take_line(void *context, const struct jl_reading_line *line) {
    char words[200];
    (void)context;
    if (line->explained) {
        jl_explain_words(line->explained, words, sizeof words);
    }
}

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static const char *const names[] = {
        "ssd1306-72x40-i2c", "uc1701-128x64-3wire", "st7920-128x64-serial",  "st7735-80x160-spi",
        "hd44780-8x1-4bit",  "st7565-128x64-6800",  "hd44780-16x2-expander", "st7789-170x320-8080"};
    static struct jl_card card;
    struct jl_complaint complaint = {""};
    if (size < 2 || !jl_card_find(names[data[0] % 8], &card, &complaint)) {
        return 0;
    }
    const struct jl_traffic_options options = {.pulse_ps = data[1] % 4 * 1000u};
    struct jl_traffic *traffic =
        jl_traffic_open(fuzz_file(data + 2, size - 2), &card, &options, &complaint);
    if (traffic) {
        if (!jl_reading_run(traffic, take_line, NULL, &complaint) && !complaint.text[0]) {
            abort(); /* what is broken is said */
        }
        jl_traffic_close(traffic);
    } else if (!complaint.text[0]) {
        abort();
    }
    return 0;
}
