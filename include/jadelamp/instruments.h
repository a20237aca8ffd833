/*
 * Instruments: drawn things with a value; instruments/instrument.h says what they have alike.
 */
#ifndef JADELAMP_INSTRUMENTS_H
#define JADELAMP_INSTRUMENTS_H

#include "jadelamp/instruments/bar.h"
#include "jadelamp/instruments/button.h"
#include "jadelamp/instruments/chart.h"
#include "jadelamp/instruments/check.h"
#include "jadelamp/instruments/dial.h"
#include "jadelamp/instruments/digits.h"
#include "jadelamp/instruments/lamp.h"
#include "jadelamp/instruments/level.h"
#include "jadelamp/instruments/list.h"
#include "jadelamp/instruments/menu.h"
#include "jadelamp/instruments/message.h"
#include "jadelamp/instruments/number.h"
#include "jadelamp/instruments/pages.h"
#include "jadelamp/instruments/progress.h"
#include "jadelamp/instruments/slider.h"
#include "jadelamp/instruments/stepper.h"

#endif
