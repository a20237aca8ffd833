/* ELF for AVR: program memory at 0, data at 800000h with its contents at a load address in flash,
 * EEPROM at 810000h. The note of the compiler's device package names the processor. */
#include "firmware_file.h"
#include "firmware_formats.h"

#include <fcntl.h>
#include <gelf.h>
#include <libelf.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

#define DATA_FROM   0x800000u
#define EEPROM_FROM 0x810000u
#define EEPROM_END  0x820000u

static bool load(const char *path, struct firmware *firmware, const GElf_Phdr *segment,
                 const uint8_t *bytes, struct jl_complaint *complaint) {
    uint64_t at = segment->p_paddr, size = segment->p_filesz;
    if (at < FIRMWARE_MOST_FLASH && size <= FIRMWARE_MOST_FLASH - at) {
        memcpy(firmware->flash + at, bytes, size);
        firmware->flash_bytes =
            at + size > firmware->flash_bytes ? (uint32_t)(at + size) : firmware->flash_bytes;
        return true;
    }
    if (at >= EEPROM_FROM && at - EEPROM_FROM <= FIRMWARE_MOST_EEPROM &&
        size <= FIRMWARE_MOST_EEPROM - (at - EEPROM_FROM)) {
        uint32_t end = (uint32_t)(at - EEPROM_FROM + size);
        memcpy(firmware->eeprom + (at - EEPROM_FROM), bytes, size);
        firmware->eeprom_bytes = end > firmware->eeprom_bytes ? end : firmware->eeprom_bytes;
        return true;
    }
    return at >= EEPROM_END /* fuses, lock bits, signatures: nothing runs there */ ||
           jl_complain(complaint, "%s: a segment of %llu bytes at %llX: no AVR has flash there",
                       path, (unsigned long long)size, (unsigned long long)at);
}

static bool read_segments(const char *path, Elf *elf, struct firmware *firmware,
                          struct jl_complaint *complaint) {
    size_t count = 0, file_bytes = 0;
    const uint8_t *file = (const uint8_t *)elf_rawfile(elf, &file_bytes);
    elf_getphdrnum(elf, &count);
    for (size_t i = 0; file && i < count; i++) {
        GElf_Phdr segment;
        if (!gelf_getphdr(elf, (int)i, &segment) || segment.p_type != PT_LOAD) {
            continue;
        }
        if (segment.p_offset > file_bytes || segment.p_filesz > file_bytes - segment.p_offset) {
            return jl_complain(complaint, "%s: is cut off: segment %zu ends behind the file", path,
                               i);
        }
        if (segment.p_vaddr >= DATA_FROM && segment.p_vaddr < EEPROM_FROM &&
            segment.p_memsz < DATA_FROM) {
            firmware->data_bytes += (uint32_t)segment.p_memsz;
        }
        if (segment.p_filesz &&
            !load(path, firmware, &segment, file + segment.p_offset, complaint)) {
            return false;
        }
    }
    return firmware->flash_bytes > 0 ||
           jl_complain(complaint, "%s: holds no program: an object that was not linked?", path);
}

/* A note: name, then a table of offsets into strings behind it; the device's name is the first
 * string. Nothing depends on it but a default. */
static void read_device_note(const uint8_t *bytes, size_t size, struct firmware *firmware) {
    static const char key[] = "AVR";
    for (size_t at = 0; at + sizeof key <= size; at++) {
        if (memcmp(bytes + at, key, sizeof key) != 0) {
            continue;
        }
        for (size_t i = at + sizeof key; i + 2 < size; i++) {
            if (bytes[i] == 'a' && bytes[i + 1] == 't' && memchr(bytes + i, '\0', size - i)) {
                snprintf(firmware->part_name, sizeof firmware->part_name, "%s",
                         (const char *)bytes + i);
                return;
            }
        }
    }
}

static void read_names(Elf *elf, const GElf_Shdr *header, Elf_Data *data,
                       struct firmware *firmware) {
    size_t count = header->sh_entsize ? data->d_size / header->sh_entsize : 0;
    for (size_t i = 0; i < count && firmware->name_count < FIRMWARE_MOST_NAMES; i++) {
        GElf_Sym symbol;
        if (!gelf_getsym(data, (int)i, &symbol) || GELF_ST_TYPE(symbol.st_info) != STT_FUNC ||
            symbol.st_value >= FIRMWARE_MOST_FLASH) {
            continue;
        }
        const char *text = elf_strptr(elf, header->sh_link, symbol.st_name);
        struct firmware_name *name = &firmware->names[firmware->name_count++];
        name->from = (uint32_t)symbol.st_value;
        name->until =
            name->from +
            (symbol.st_size < FIRMWARE_MOST_FLASH && symbol.st_size ? (uint32_t)symbol.st_size : 2);
        snprintf(name->text, sizeof name->text, "%s", text ? text : "?");
    }
}

static void read_sections(Elf *elf, struct firmware *firmware) {
    size_t names = 0;
    elf_getshdrstrndx(elf, &names);
    for (Elf_Scn *section = NULL; (section = elf_nextscn(elf, section));) {
        GElf_Shdr header;
        Elf_Data *data = gelf_getshdr(section, &header) ? elf_getdata(section, NULL) : NULL;
        if (!data || !data->d_buf) {
            continue;
        }
        const char *name = elf_strptr(elf, names, header.sh_name);
        if (header.sh_type == SHT_SYMTAB) {
            read_names(elf, &header, data, firmware);
        } else if (name && strcmp(name, ".note.gnu.avr.deviceinfo") == 0) {
            read_device_note(data->d_buf, data->d_size, firmware);
        }
    }
}

bool firmware_read_elf(const char *path, struct firmware *firmware,
                       struct jl_complaint *complaint) {
    elf_version(EV_CURRENT);
    int file = open(path, O_RDONLY | O_CLOEXEC);
    Elf *elf = file >= 0 ? elf_begin(file, ELF_C_READ, NULL) : NULL;
    GElf_Ehdr header;
    bool good = false;
    if (!elf || elf_kind(elf) != ELF_K_ELF || !gelf_getehdr(elf, &header)) {
        jl_complain(complaint, "%s: begins like an ELF file and is none: is it whole?", path);
    } else if (header.e_machine != EM_AVR) {
        jl_complain(complaint, "%s: is for machine %d of ELF's list; expected AVR, %d", path,
                    header.e_machine, EM_AVR);
    } else if (read_segments(path, elf, firmware, complaint)) {
        read_sections(elf, firmware);
        good = true;
    }
    elf_end(elf);
    if (file >= 0) {
        close(file);
    }
    return good;
}
