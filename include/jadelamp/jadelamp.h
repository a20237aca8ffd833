/*
 * Jade Lamp: everything. Including it costs nothing: what a program does not
 * call or name is not linked.
 */
#ifndef JADELAMP_JADELAMP_H
#define JADELAMP_JADELAMP_H

#include "jadelamp/version.h"
#include "jadelamp/status.h"
#include "jadelamp/geometry.h"
#include "jadelamp/color.h"
#include "jadelamp/target.h"
#include "jadelamp/controller.h"
#include "jadelamp/damage.h"
#include "jadelamp/frame.h"
#include "jadelamp/draw.h"
#include "jadelamp/shapes.h"
#include "jadelamp/image.h"
#include "jadelamp/font.h"
#include "jadelamp/text.h"
#include "jadelamp/format.h"
#include "jadelamp/port.h"
#include "jadelamp/wake.h"
#include "jadelamp/panel.h"
#include "jadelamp/async.h"
#include "jadelamp/bands.h"
#include "jadelamp/beam.h"
#include "jadelamp/bus.h"
#include "jadelamp/direct.h"
#include "jadelamp/controllers/gc9a01.h"
#include "jadelamp/controllers/ili9341.h"
#include "jadelamp/controllers/ili9488.h"
#include "jadelamp/controllers/ssd1306.h"
#include "jadelamp/controllers/ssd1322.h"
#include "jadelamp/controllers/ssd1327.h"
#include "jadelamp/controllers/ssd1331.h"
#include "jadelamp/controllers/ssd1351.h"
#include "jadelamp/controllers/st7735.h"
#include "jadelamp/controllers/st7789.h"

#endif
