/*
 * The emulated controllers. They know nothing of the library's drivers: they
 * understand whatever arrives on their bus.
 */
#ifndef JADELAMP_SIM_EMULATORS_H
#define JADELAMP_SIM_EMULATORS_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Monochrome OLED controllers; on I2C, SPI, 8080 and 6800. */
extern const struct jl_emulated_part jl_emulated_ssd0303; /**< 132x64, addressed by pages */
extern const struct jl_emulated_part jl_emulated_ssd1305; /**< 132x64 */
extern const struct jl_emulated_part jl_emulated_ssd1306; /**< 128x64 */
extern const struct jl_emulated_part jl_emulated_ssd1309; /**< 128x64 */
extern const struct jl_emulated_part jl_emulated_ssd1315; /**< 128x64 */
extern const struct jl_emulated_part jl_emulated_sh1106;  /**< 132x64, addressed by pages */
extern const struct jl_emulated_part jl_emulated_sh1107;  /**< 128x128, the same */

/** Monochrome LCD controllers; the glass turns dark where a bit is 1 (or light, on blue). */
extern const struct jl_emulated_part jl_emulated_st7565;          /**< 132x65; SPI, 8080, 6800 */
extern const struct jl_emulated_part jl_emulated_st7567;          /**< 132x65; SPI, 8080, 6800 */
extern const struct jl_emulated_part jl_emulated_uc1701;          /**< 132x65; SPI, 8080, 6800 */
extern const struct jl_emulated_part jl_emulated_uc1609;          /**< 192x64 */
extern const struct jl_emulated_part jl_emulated_ws0010_graphics; /**< OLED of 100x16; 6800 */
extern const struct jl_emulated_part jl_emulated_t6963c;          /**< 240x128 with text; 8080 */
extern const struct jl_emulated_part jl_emulated_ks0108;          /**< two of 64x64 */
extern const struct jl_emulated_part jl_emulated_sed1520;     /**< two of 80x32, 61 columns each */
extern const struct jl_emulated_part jl_emulated_ls013b7dh03; /**< memory LCD, 128x128 */
extern const struct jl_emulated_part jl_emulated_ls027b7dh01; /**< memory LCD, 400x240 */
extern const struct jl_emulated_part jl_emulated_pcd8544;     /**< 84x48; SPI */
extern const struct jl_emulated_part jl_emulated_st7920; /**< 256x32 folded; own serial bus, 6800 */

/** Character modules; sim/cells.h has what else they understand. On plain pins. */
extern const struct jl_emulated_part jl_emulated_hd44780;  /**< one or two of them */
extern const struct jl_emulated_part jl_emulated_ws0010;   /**< the same with an OLED */
extern const struct jl_emulated_part jl_emulated_aip31068; /**< on I2C by itself */
extern const struct jl_emulated_part
    jl_emulated_st7036; /**< the same, with a contrast by command */

/** OLED controllers of the family with windows, on SPI and 8080. */
extern const struct jl_emulated_part jl_emulated_ssd1322; /**< 480x128, 16 greys */
extern const struct jl_emulated_part jl_emulated_ssd1325; /**< 128x80, 4 bits */
extern const struct jl_emulated_part jl_emulated_ssd1327; /**< 128x128, 16 greys; I2C too */
extern const struct jl_emulated_part jl_emulated_ssd1331; /**< 96x64, colour */
extern const struct jl_emulated_part jl_emulated_ssd1351; /**< 128x128, colour */

/** E-paper controllers, on SPI; the glass of the device is one of JL_GLASS_PAPER... */
extern const struct jl_emulated_part jl_emulated_ssd1680; /**< 176 sources, 296 gates */
extern const struct jl_emulated_part jl_emulated_ssd1681; /**< 200 sources, 200 gates */
extern const struct jl_emulated_part jl_emulated_uc8151;  /**< 160 sources, 296 gates */
extern const struct jl_emulated_part jl_emulated_uc8176;  /**< 400 sources, 300 gates */
extern const struct jl_emulated_part jl_emulated_uc8179;  /**< 800 sources, 600 gates */

/** TFT controllers of the MIPI DCS kind, on SPI (4 and 3 wires) and 8080 (8 and 16 bits). */
extern const struct jl_emulated_part jl_emulated_st7735; /**< 132x162, straps in jl_glass.ram_... */
extern const struct jl_emulated_part jl_emulated_st7789; /**< 240x320 */
extern const struct jl_emulated_part jl_emulated_ili9341; /**< 240x320 */
extern const struct jl_emulated_part jl_emulated_st7796;  /**< 320x480 */
extern const struct jl_emulated_part jl_emulated_ili9163; /**< 132x162, or as strapped */
extern const struct jl_emulated_part jl_emulated_ili9225; /**< 176x220, registers of 16 bits */
extern const struct jl_emulated_part jl_emulated_gc9107;  /**< 132x162, SPI */
extern const struct jl_emulated_part jl_emulated_hx8357;  /**< 320x480, letter D */
extern const struct jl_emulated_part jl_emulated_ili9488; /**< 320x480, 18 bits only on SPI */
extern const struct jl_emulated_part jl_emulated_gc9a01;  /**< 240x240 */

/** Glass without a memory, at the end of an RGB bus (rgb.h), up to 1280x864. */
extern const struct jl_emulated_part jl_emulated_rgb_glass;
/** The same with a command port on 3-wire SPI, up to 480x864. */
extern const struct jl_emulated_part jl_emulated_st7701;

#ifdef __cplusplus
}
#endif

#endif
