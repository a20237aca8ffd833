/* The system calls themselves. */
#include <errno.h>
#include <fcntl.h>
#include <sys/ioctl.h>
#include <time.h>
#include <unistd.h>

#include "linux_port.h"

static int open_file(const char *path, int flags) {
    return open(path, flags | O_CLOEXEC);
}
static int ioctl_file(int file, unsigned long request, void *argument) {
    return ioctl(file, request, argument);
}
static long read_file(int file, void *bytes, unsigned long count) {
    return read(file, bytes, count);
}
static void sleep_us(uint32_t microseconds) {
    struct timespec left = {.tv_sec = microseconds / 1000000,
                            .tv_nsec = (long)(microseconds % 1000000) * 1000};
    while (nanosleep(&left, &left) != 0 && errno == EINTR) {
    }
}

const struct linux_calls linux_kernel = {open_file, ioctl_file, read_file, close, sleep_us};
