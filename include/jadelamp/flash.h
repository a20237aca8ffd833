/*
 * Constants in flash on processors whose flash is a memory of its own. AVR copies constants to RAM
 * unless they are marked, and reads marked ones by instructions of their own; everywhere else the
 * mark is nothing.
 *
 * On AVR these must be marked, and are: the tables of fonts (font.h) and the steps of wake-up
 * sequences (wake.h). These may be, and then name another constant for how they are read: bitmaps
 * (jl_flash_columns ... in draw.h) and pixels of images (jl_flash_pixels in image.h). What
 * `jadelamp bake` writes is marked.
 */
#ifndef JADELAMP_FLASH_H
#define JADELAMP_FLASH_H

#ifdef __AVR__
/** Between `const` and the type's name: static const uint8_t JL_FLASH steps[] = {...}. */
#define JL_FLASH __attribute__((__progmem__))
#else
#define JL_FLASH
#endif

#endif
