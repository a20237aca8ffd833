/* [wake]: the steps of a sequence. */
#include "card_steps.h"
#include "word_step.h"

#include <ctype.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/char_panel.h"
#include "jadelamp/sim/explain.h"
#include "jadelamp/wake.h"

static bool add_step(struct reading *reading, const uint8_t *step, size_t count) {
    struct jl_card *card = reading->card;
    if (card->wake_bytes + count > JL_CARD_WAKE_BYTES) {
        return FAIL(reading, "the wake-up sequence is longer than %d bytes", JL_CARD_WAKE_BYTES);
    }
    memcpy(card->wake_steps + card->wake_bytes, step, count);
    card->wake_bytes = (uint16_t)(card->wake_bytes + count);
    card->has_wake = true;
    return true;
}

static bool add_wait(struct reading *reading, const char *text, uint8_t *step, size_t at) {
    double ns;
    if (!jl_host_parse_quantity(text, jl_host_card_time_units, 0, 65535e6, &ns)) {
        return FAIL(reading, "step: \"%s\" is not a time with its unit, such as 100 ms", text);
    }
    unsigned ms = (unsigned)((ns + 999999) / 1e6); /* never shorter than asked for */
    step[at] = (uint8_t)(ms & 0xFF);
    step[at + 1] = (uint8_t)(ms >> 8);
    return add_step(reading, step, at + 2);
}

static bool is_byte(const char *text) {
    return isxdigit((unsigned char)text[0]) && isxdigit((unsigned char)text[1]) &&
           (text[2] == ' ' || text[2] == '\0');
}

/* "exit_sleep_mode", "charge pump 14": a name, and the bytes behind it. */
static bool read_named(struct reading *reading, const char *text) {
    const struct jl_catalog_entry *part = reading->card->controller;
    uint8_t step[128];
    char name[80], near[200];
    struct jl_named_command command;
    size_t words;
    const char *bytes = text; /* the first word that is a byte, and has only such behind it */
    for (const char *at = text; *at; at += strcspn(at, " "), at += strspn(at, " ")) {
        if (!is_byte(at)) {
            bytes = at + strcspn(at, " ");
            bytes += strspn(bytes, " ");
        }
    }
    int length = (int)(bytes - text);
    while (length > 0 && text[length - 1] == ' ') {
        length--;
    }
    snprintf(name, sizeof name, "%.*s", length, text);
    if (!part) {
        return FAIL(
            reading,
            "step: %s: expected bytes of two hex digits, such as send D5 80; a command by its "
            "name needs the controller, above",
            name);
    }
    if (!jl_explain_find(part->emulator, name, &command)) {
        if (jl_host_word_step(part, text, step + 1, &words)) {
            step[0] = (uint8_t)words;
            return add_step(reading, step, words + 1);
        }
        jl_explain_nearest(part->emulator, name, near, sizeof near);
        return FAIL(reading,
                    "step: %s: the %s has no command of that name, or several; expected bytes of "
                    "two hex digits, or such as %s",
                    name, part->name, near);
    }
    size_t count = *bytes ? jl_host_parse_hex_bytes(bytes, step + 2, sizeof step - 3) : 0;
    if ((int)count < command.least || (int)count > command.most) {
        return FAIL(reading, "step: %s takes %d argument%s, and there %s %zu", name, command.least,
                    command.least == 1 ? "" : "s", count == 1 ? "is" : "are", count);
    }
    step[0] = (uint8_t)(count + 1);
    step[1] = command.opcode;
    if (jl_explain_opcode_bytes(part->emulator) == 2) {
        memmove(step + 2, step + 1, count + 1);
        step[0]++;
        step[1] = 0;
        count++;
    }
    return add_step(reading, step, count + 2);
}

/* "pulse 3": four bits and an enable, as character modules are entered with. */
static bool read_pulse(struct reading *reading, const char *key, const char *value) {
    char digit = value[6];
    bool one = isxdigit((unsigned char)digit) && !value[7];
    const uint8_t step[] = {
        JL_CHAR_STEP_CODE_PULSE,
        (uint8_t)(isdigit((unsigned char)digit) ? digit - '0' : (digit | 0x20) - 'a' + 10)};
    return one ? add_step(reading, step, sizeof step)
               : FAIL(reading, "%s = %s: expected one hex digit, such as pulse 3", key, value);
}

bool jl_host_card_read_step(struct reading *reading, const char *key, const char *value) {
    uint8_t step[128];
    if (strncmp(value, "pulse ", 6) == 0) {
        return read_pulse(reading, key, value);
    }
    if (strncmp(value, "send ", 5) == 0 && !is_byte(value + 5)) {
        return read_named(reading, value + 5);
    }
    if (strncmp(value, "send ", 5) == 0) {
        size_t count = jl_host_parse_hex_bytes(value + 5, step + 1, sizeof step - 1);
        step[0] = (uint8_t)count;
        return count ? add_step(reading, step, count + 1)
                     : FAIL(reading,
                            "%s = %s: expected 1 to 127 bytes of two hex digits, such as "
                            "send D5 80",
                            key, value);
    }
    if (strncmp(value, "wait busy ", 10) == 0) {
        bool high = strncmp(value + 10, "high ", 5) == 0;
        bool low = strncmp(value + 10, "low ", 4) == 0;
        step[0] = JL_STEP_CODE_WAIT_BUSY;
        step[1] = high;
        return high || low
                   ? add_wait(reading, value + (high ? 15 : 14), step, 2)
                   : FAIL(reading, "%s = %s: expected such as wait busy low 400 ms", key, value);
    }
    if (strncmp(value, "wait ", 5) == 0) {
        step[0] = JL_STEP_CODE_WAIT_MS;
        return add_wait(reading, value + 5, step, 1);
    }
    if (strcmp(value, "setup") == 0 || strcmp(value, "clear") == 0) {
        step[0] = value[0] == 's' ? JL_STEP_CODE_SETUP : JL_STEP_CODE_CLEAR;
        return add_step(reading, step, 1);
    }
    return FAIL(
        reading,
        "%s = %s: expected send BYTES, wait TIME, wait busy low|high TIME, setup, clear or, of "
        "a character module, pulse DIGIT",
        key, value);
}

size_t jl_card_step_length(const uint8_t *step) {
    switch (step[0]) {
    case JL_STEP_CODE_WAIT_MS:
        return 3;
    case JL_STEP_CODE_WAIT_BUSY:
        return 4;
    case JL_STEP_CODE_BLOCK:
    case JL_CHAR_STEP_CODE_PULSE:
        return 2;
    default:
        return step[0] < JL_STEP_CODE_WAIT_MS ? 1u + step[0] : 1;
    }
}

bool jl_host_card_check_steps(struct reading *reading) {
    const struct jl_card *card = reading->card;
    for (size_t at = 0; at < card->wake_bytes; at += jl_card_step_length(card->wake_steps + at)) {
        uint8_t code = card->wake_steps[at];
        if (card->cells.bus ? code == JL_STEP_CODE_WAIT_BUSY : code == JL_CHAR_STEP_CODE_PULSE) {
            return FAIL_KEY(reading, "wake", "step", "[wake] step: %s",
                            card->cells.bus
                                ? "a character module has no BUSY pin to wait for: wait TIME"
                                : "pulse is for character modules: send BYTES");
        }
    }
    return true;
}
