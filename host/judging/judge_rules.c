/* Rules about a sequence as a whole. */
#include "judge.h"

#include <string.h>

/* Waits that nothing asks for are told when they are as long as this in all. */
#define VAIN_PS ((uint64_t)20000000000)

enum { DISPLAY_OFF = 0xAE, DCS_DISPLAY_OFF = 0x28 };

int jl_host_judge_step_of(const struct judge *judge, const char *relation) {
    static const struct {
        const char *word;
        uint8_t opcodes[6]; /* of OLEDs and LCDs of one colour; of colour glass */
    } kinds[] = {
        {"inverted", {0xA7, 0xA6, 0x21, 0x20, 0x0D, 0x0C}},
        {"mirrored left", {0xA0, 0xA1, 0x36}},
        {"mirrored top", {0xC0, 0xC8, 0x36}},
        {"turned", {0x36, 0xA0, 0xA1, 0xC0, 0xC8}},
        {"red and blue", {0x36, 0xA0, 0x03}},
        {"shifted", {0xD3, 0xA2, 0xA1, 0x2A, 0x2B}},
    };
    for (size_t kind = 0; kind < sizeof kinds / sizeof kinds[0]; kind++) {
        if (!strstr(relation, kinds[kind].word)) {
            continue;
        }
        for (int i = judge->wake_count - 1; i >= 0; i--) {
            uint8_t opcode = judge->steps[i].opcode;
            if (opcode && memchr(kinds[kind].opcodes, opcode, sizeof kinds[kind].opcodes)) {
                return i + 1;
            }
        }
    }
    return 0;
}

bool jl_host_judge_needs_wait(const struct jl_card *card, uint8_t opcode) {
    const char *part = card->controller->name;
    if (card->cells.bus || card->controller->driver->paper || card->controller->driver->byte_us) {
        return true; /* each of their commands takes time */
    }
    if (strcmp(part, "ili9225") == 0) {
        return opcode == 0x07 || (opcode >= 0x10 && opcode <= 0x14); /* supply, step by step */
    }
    if (card->format->bits_per_pixel > 4 && strncmp(part, "ssd", 3) != 0) {
        bool opens = opcode == 0xB9 && strcmp(part, "hx8357") == 0; /* the maker's registers */
        return opens || opcode == 0x01 || opcode == 0x10 || opcode == 0x11 || opcode == 0x29;
    }
    bool powers =
        opcode >= 0x28 && opcode <= 0x2F; /* st7565, uc1701: booster, regulator, follower */
    return powers || opcode == 0xE2 || opcode == 0xAE || opcode == 0xAF || opcode == 0x25;
}

static void look_at_waits(struct judge *judge) {
    uint64_t vain_ps = 0;
    int waits = 0, first = 0;
    for (int i = 0; i < judge->wake_count; i++) {
        const struct judged_step *step = &judge->steps[i];
        if (step->wait_ps >= 1000000000 && !jl_host_judge_needs_wait(judge->card, step->opcode)) {
            vain_ps += step->wait_ps;
            waits++;
            first = first ? first : i + 1;
        }
    }
    if (vain_ps >= VAIN_PS) {
        jl_host_judge_find(judge, JL_CHECK_WASTEFUL, first, "wait-in-vain",
                           "leave out waits that the datasheet does not ask for",
                           "%d wait%s of %.0f ms in all, behind commands that need none", waits,
                           waits == 1 ? "" : "s", (double)vain_ps / 1e9);
    }
}

/* Registers that hold what they were given; addresses and what starts something are none. */
static bool is_setting(const struct judge *judge, const struct judged_step *step) {
    static const uint8_t others[] = {0x01, 0x10, 0x11, 0x13, 0x15, 0x20, 0x21, 0x22, 0x24, 0x25,
                                     0x26, 0x2A, 0x2B, 0x2C, 0x2E, 0x2F, 0x38, 0x44, 0x45, 0x4E,
                                     0x4F, 0x5C, 0x75, 0x90, 0xE2, 0xE3, 0xFD, 0xEF, 0xFE, 0xEB};
    bool pages = judge->card->format && judge->card->format->bits_per_pixel == 1;
    bool page_address =
        pages && (step->opcode < 0x20 || (step->opcode >= 0xB0 && step->opcode < 0xC0));
    bool of_supply = jl_explain_opcode_bytes(judge->card->controller->emulator) == 2 &&
                     jl_host_judge_needs_wait(judge->card, step->opcode);
    bool key = step->opcode == 0xF0 && step->count == 1; /* to the maker's registers */
    return step->name && !page_address && !key && !of_supply && step->count > 0 &&
           !memchr(others, step->opcode, sizeof others);
}

static void look_at_repeats(struct judge *judge) {
    for (int i = 0; i < judge->wake_count; i++) {
        const struct judged_step *later = &judge->steps[i];
        for (int k = i - 1; k >= 0 && is_setting(judge, later); k--) {
            const struct judged_step *first = &judge->steps[k];
            if (first->opcode != later->opcode || first->count != later->count) {
                continue;
            }
            if (first->sum == later->sum) {
                jl_host_judge_find(judge, JL_CHECK_WASTEFUL, i + 1, "no-effect", "leave it out",
                                   "step %d has set the same already", k + 1);
            } else {
                jl_host_judge_find(judge, JL_CHECK_WASTEFUL, k + 1, "undone",
                                   "keep the one that is meant",
                                   "step %d sets it anew: only the last one counts", i + 1);
            }
            break;
        }
    }
}

/* Brightness may be set whenever one likes. */
static bool is_brightness(const struct judged_step *step) {
    return step->opcode == 0x81 || step->opcode == 0x51 || step->opcode == 0x53 ||
           step->opcode == 0xC1 || step->opcode == 0xC7;
}

/* Switched on, and set up behind that. */
static void look_at_switching_on(struct judge *judge) {
    bool dcs = jl_explain_opcode_bytes(judge->card->controller->emulator) == 1 &&
               judge->card->format->bits_per_pixel > 4;
    int on = 0;
    for (int i = 0; i < judge->wake_count; i++) {
        const struct judged_step *step = &judge->steps[i];
        if (step->opcode == (dcs ? JUDGE_DCS_DISPLAY_ON : JUDGE_DISPLAY_ON)) {
            on = on ? on : i + 1;
        } else if (step->opcode == (dcs ? DCS_DISPLAY_OFF : DISPLAY_OFF) || step->opcode == 0x01) {
            on = 0;
        } else if (on && is_setting(judge, step) && !is_brightness(step)) {
            jl_host_judge_find(
                judge, JL_CHECK_MARGINAL, on, jl_code_name(JL_CODE_ON_TOO_EARLY),
                "switch the display on at the end",
                "the display is on before it is set up, and flashes: step %d, %.40s, "
                "comes behind it",
                i + 1, step->words);
            return;
        }
    }
}

void jl_host_judge_whole(struct judge *judge, struct jl_device *device) {
    const char *why = jl_device_why_dark(device);
    if (why) {
        jl_host_judge_find(judge, JL_CHECK_DARK, 0, "dark",
                           "send what is missing, or wire what is not there",
                           "the glass stays dark: %s", why);
        if (judge->check->count) {
            judge->of_glass[judge->check->count - 1] = true;
        }
    }
    if (!judge->card->cells.bus) {
        look_at_waits(judge);
        look_at_repeats(judge);
        if (!jl_host_judge_has_told(judge, jl_code_name(JL_CODE_ON_TOO_EARLY))) {
            look_at_switching_on(judge);
        }
    }
}
