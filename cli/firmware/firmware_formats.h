/* A file a format. */
#ifndef JADELAMP_CLI_FIRMWARE_FORMATS_H
#define JADELAMP_CLI_FIRMWARE_FORMATS_H

#include "firmware_file.h"

bool firmware_read_elf(const char *path, struct firmware *firmware, struct jl_complaint *complaint);
bool firmware_read_hex(const char *path, struct firmware *firmware, struct jl_complaint *complaint);

#endif
