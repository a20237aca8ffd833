/*
 * Names for the symbols of jl_font_icons12, as UTF-8 text that stands beside other text:
 *
 *   static const struct jl_font *const with_icons[] = {&jl_font_icons12, NULL};
 *   style.fallbacks = with_icons;
 *   jl_text(target, 0, 0, JL_ICON_ANCHOR " moored", &style);
 *
 * docs/fonts.md shows them.
 */
#ifndef JADELAMP_ICONS_H
#define JADELAMP_ICONS_H

#define JL_ICON_SAILING_BOAT "\xEE\x80\x80" /* U+E000 */
#define JL_ICON_WORK_BOAT    "\xEE\x80\x81" /* U+E001 */
#define JL_ICON_ANCHOR       "\xEE\x80\x82" /* U+E002 */
#define JL_ICON_BUOY         "\xEE\x80\x83" /* U+E003 */
#define JL_ICON_LIGHTHOUSE   "\xEE\x80\x84" /* U+E004 */
#define JL_ICON_WAVES        "\xEE\x80\x85" /* U+E005 */
#define JL_ICON_TIDE_RISING  "\xEE\x80\x86" /* U+E006 */
#define JL_ICON_TIDE_FALLING "\xEE\x80\x87" /* U+E007 */
#define JL_ICON_WIND         "\xEE\x80\x88" /* U+E008 */
#define JL_ICON_COMPASS      "\xEE\x80\x89" /* U+E009 */
#define JL_ICON_LOCK_GATE    "\xEE\x80\x8A" /* U+E00A */
#define JL_ICON_SLUICE       "\xEE\x80\x8B" /* U+E00B */
#define JL_ICON_FISH         "\xEE\x80\x8C" /* U+E00C */
#define JL_ICON_CRANE        "\xEE\x80\x8D" /* U+E00D */
#define JL_ICON_BELL         "\xEE\x80\x8E" /* U+E00E */
#define JL_ICON_BATTERY_FULL "\xEE\x80\x8F" /* U+E00F */
#define JL_ICON_BATTERY_LOW  "\xEE\x80\x90" /* U+E010 */
#define JL_ICON_SIGNAL       "\xEE\x80\x91" /* U+E011 */
#define JL_ICON_CLOCK        "\xEE\x80\x92" /* U+E012 */
#define JL_ICON_WARNING      "\xEE\x80\x93" /* U+E013 */
#define JL_ICON_LAMP         "\xEE\x80\x94" /* U+E014 */
#define JL_ICON_THERMOMETER  "\xEE\x80\x95" /* U+E015 */
#define JL_ICON_DROP         "\xEE\x80\x96" /* U+E016 */
#define JL_ICON_GEAR         "\xEE\x80\x97" /* U+E017 */

#endif
