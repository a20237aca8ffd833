/* [pins]: what the microcontroller's pins are called, and which of them there are. */
#include <ctype.h>
#include <string.h>

#include "card_pins.h"

static bool is_pin_name(const char *text) {
    size_t length = strlen(text);
    for (size_t i = 0; i < length; i++) {
        if (!isalnum((unsigned char)text[i]) && !strchr("_.-#/:", text[i])) {
            return false;
        }
    }
    return length > 0 && length < JL_CARD_PIN_BYTES;
}

bool jl_host_card_read_pin(struct reading *reading, const char *key, const char *value) {
    struct jl_card *card = reading->card;
    if (!is_pin_name(value)) {
        return FAIL(reading,
                    "%s = %s: expected the name of a pin, such as PB2 or GPIO27, of up to %d "
                    "letters, digits and _ . - # / :",
                    key, value, JL_CARD_PIN_BYTES - 1);
    }
    struct jl_card_pin *pin = &card->pins[card->pin_count++];
    strcpy(pin->wire, key);
    strcpy(pin->name, value);
    return true;
}

/* none, wired, or the pin that it is wired to. */
static bool read_wired(struct reading *reading, const char *key, const char *value, uint8_t bit) {
    static const char *const answers[] = {"yes", "no", "on", "off", "true", "false"};
    uint8_t *module = &reading->card->module;
    for (size_t i = 0; i < sizeof answers / sizeof answers[0]; i++) {
        if (strcmp(value, answers[i]) == 0) { /* no pin is called so */
            return FAIL(reading, "%s = %s: expected none or wired, or the name of the pin", key,
                        value);
        }
    }
    bool none = strcmp(value, "none") == 0, wired = strcmp(value, "wired") == 0;
    *module = (uint8_t)(none ? *module & ~bit : *module | bit);
    return none || wired || jl_host_card_read_pin(reading, key, value);
}

bool jl_host_card_read_reset(struct reading *reading, const char *key, const char *value) {
    return read_wired(reading, key, value, JL_MODULE_RESET_WIRED);
}

bool jl_host_card_read_light(struct reading *reading, const char *key, const char *value) {
    return read_wired(reading, key, value, JL_MODULE_LIGHT_WIRED);
}

const char *jl_card_pin(const struct jl_card *card, const char *wire) {
    for (size_t i = 0; i < card->pin_count; i++) {
        if (strcmp(card->pins[i].wire, wire) == 0) {
            return card->pins[i].name;
        }
    }
    return NULL;
}

bool jl_card_has_keys(const struct jl_card *card) {
    static const char *const keys[] = {"key_ok", "key_back", "key_up", "key_down"};
    bool any = false;
    for (size_t i = 0; i < sizeof keys / sizeof keys[0]; i++) {
        any |= jl_card_pin(card, keys[i]) != NULL;
    }
    return any;
}

bool jl_card_has_knob(const struct jl_card *card) {
    return jl_card_pin(card, "knob_a") && jl_card_pin(card, "knob_b");
}
