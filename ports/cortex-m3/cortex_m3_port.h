/*
 * A whole port for one Cortex-M3: the LM3S811, whose evaluation board has a 96x16 OLED on I2C0.
 * Names and numbers of registers are those of its datasheet. For another part of this kind, change
 * the addresses, the clock and the pins.
 */
#ifndef CORTEX_M3_PORT_H
#define CORTEX_M3_PORT_H

#include "jadelamp/port.h"

/** The clock that the core starts with, Hz: the board's crystal. */
#define CORTEX_M3_HZ 6000000u

/** A register by its address. */
#define CORTEX_M3_REGISTER(address) (*(volatile uint32_t *)(address))

/** I2C0 and a clock. Call cortex_m3_start() before its first use; not from interrupts. */
extern const struct jl_port cortex_m3_port;

/** Gives I2C0 its clock, pins (PB2 SCL, PB3 SDA) and speed, and starts SysTick. */
void cortex_m3_start(void);

#endif
