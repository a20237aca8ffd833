/* I2C by polling, waits by SysTick. docs/porting.md says what each function must do. */
#include "cortex_m3_port.h"

#define REGISTER CORTEX_M3_REGISTER

/* System control: clocks of peripherals. */
#define RCGC1        REGISTER(0x400FE104)
#define RCGC2        REGISTER(0x400FE108)
#define RCGC1_I2C0   (1u << 12)
#define RCGC2_GPIO_B (1u << 1)

/* Port B: alternative function, open drain, digital. */
#define GPIO_B_AFSEL REGISTER(0x40005420)
#define GPIO_B_ODR   REGISTER(0x4000550C)
#define GPIO_B_DEN   REGISTER(0x4000551C)
#define SCL          (1u << 2)
#define SDA          (1u << 3)

/* I2C0 as a master. */
#define MSA  REGISTER(0x40020000) /* address << 1, bit 0: read */
#define MCS  REGISTER(0x40020004) /* written: what to do; read: how it stands */
#define MDR  REGISTER(0x40020008)
#define MTPR REGISTER(0x4002000C)
#define MCR  REGISTER(0x40020020)
enum { RUN = 0x01, START = 0x02, STOP = 0x04, BUSY = 0x01, ERROR = 0x02, MASTER = 0x10 };

/* SysTick counts down at the core's clock, 24 bits wide. */
#define SYST_CSR REGISTER(0xE000E010)
#define SYST_RVR REGISTER(0xE000E014)
#define SYST_CVR REGISTER(0xE000E018)
#define FULL     0xFFFFFFu

/* Turns of the loop that are clearly too long for nine bits. */
#define PATIENCE 100000u

void cortex_m3_start(void) {
    RCGC1 |= RCGC1_I2C0;
    RCGC2 |= RCGC2_GPIO_B;
    (void)RCGC2; /* the clocks need a few cycles before the first access */
    (void)RCGC2;
    GPIO_B_AFSEL |= SCL | SDA;
    GPIO_B_ODR |= SDA;
    GPIO_B_DEN |= SCL | SDA;
    MCR = MASTER;
    MTPR = 0; /* a bit takes 2 * (6 + 4) * (MTPR + 1) cycles: 300 kHz at 6 MHz */
    SYST_RVR = FULL;
    SYST_CVR = 0;
    SYST_CSR = 5; /* on, core clock, no interrupt */
}

/* One byte, or the address with it. */
static jl_status step(uint32_t what) {
    MCS = what;
    for (uint32_t turn = 0; turn < PATIENCE; turn++) {
        if (!(MCS & BUSY)) {
            return MCS & ERROR ? JL_NO_ANSWER : JL_OK;
        }
    }
    return JL_TIMEOUT;
}

/* The bytes of one part; `what` holds START until the first byte has gone. */
static jl_status put_all(const uint8_t *bytes, size_t count, size_t behind, uint32_t *what) {
    jl_status status = JL_OK;
    for (size_t i = 0; i < count && status == JL_OK; i++) {
        MDR = bytes[i];
        bool last = i + 1 == count && behind == 0;
        status = step(*what | RUN | (last ? STOP : 0));
        *what = 0;
    }
    return status;
}

static jl_status send(void *context, const struct jl_transfer *t) {
    uint32_t what = START;
    jl_status status;
    (void)context;
    if (t->head_bytes + t->body_bytes == 0) {
        /* This master sends no address alone. To ask who is there it reads a byte. */
        MSA = (uint32_t)t->i2c_address << 1 | 1;
        status = step(START | RUN | STOP);
    } else {
        MSA = (uint32_t)t->i2c_address << 1;
        status = put_all(t->head, t->head_bytes, t->body_bytes, &what);
        if (status == JL_OK) {
            status = put_all(t->body, t->body_bytes, 0, &what);
        }
    }
    if (status != JL_OK) {
        MCS = STOP; /* the next transfer needs a free bus */
    }
    return status;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    while (microseconds) { /* by the millisecond: the counter is 24 bits wide */
        uint32_t part = microseconds < 1000 ? microseconds : 1000;
        uint32_t cycles = part * (CORTEX_M3_HZ / 1000000u), start = SYST_CVR;
        while (((start - SYST_CVR) & FULL) <= cycles) {
        }
        microseconds -= part;
    }
}

static const struct jl_port_ops operations = {.send = send, .wait_us = wait_us};

const struct jl_port cortex_m3_port = {.ops = &operations};
