/* Panel cards baked into C: the description, the pins and the own wake-up sequence. */
#ifndef JADELAMP_HOST_BAKE_CARD_H
#define JADELAMP_HOST_BAKE_CARD_H

#include "jadelamp/host/card.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Writes DIRECTORY/NAME.c and NAME.h: `const struct jl_panel_config NAME`, the clock, and the pins
 * that the card names as NAME_PIN_CS and so on; of a character module `const struct jl_char_config
 * NAME` and its steps. Both or neither. Not for glass that is scanned out.
 *
 * @param name of the constant and the files; a name for C
 * @param made what made it, for the files' first comment
 */
bool jl_card_bake(const struct jl_card *card, const char *directory, const char *name,
                  const char *made, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
