/* Baked C files. */
#include "c_files.h"

#include <ctype.h>
#include <string.h>

enum { BYTES_A_LINE = 16 };

/* Words of C11 that no constant can have (ISO 9899:2011, 6.4.1). */
static bool is_keyword(const char *name) {
    static const char *const words[] = {
        "auto",    "break",  "case",     "char",   "const",    "continue", "default",
        "do",      "double", "else",     "enum",   "extern",   "float",    "for",
        "goto",    "if",     "inline",   "int",    "long",     "register", "restrict",
        "return",  "short",  "signed",   "sizeof", "static",   "struct",   "switch",
        "typedef", "union",  "unsigned", "void",   "volatile", "while"};
    for (size_t i = 0; i < sizeof words / sizeof words[0]; i++) {
        if (strcmp(name, words[i]) == 0) {
            return true;
        }
    }
    return false;
}

const char *jl_host_c_packing(const struct jl_image *image) {
    return image->packing ? "&jl_packing_runs" : "jl_flash_pixels";
}

bool jl_host_c_is_name(const char *name) {
    if ((!isalpha((unsigned char)*name) && *name != '_') || is_keyword(name)) {
        return false;
    }
    for (; *name; name++) {
        if (!isalnum((unsigned char)*name) && *name != '_') {
            return false;
        }
    }
    return true;
}

/*
 * Text that could end the comment is broken up; a backslash could join two lines before comments
 * are looked for (ISO 9899:2011, 5.1.1.2), so neither it nor a line end stands in one.
 */
static void write_comment(FILE *stream, const char *made) {
    fprintf(stream, "/* Made by ");
    for (const char *c = made; *c; c++) {
        fputc(*c == '\\' || iscntrl((unsigned char)*c) ? '?' : *c, stream);
        if ((c[0] == '*' && c[1] == '/') || (c[0] == '/' && c[1] == '*')) {
            fputc(' ', stream);
        }
    }
    fprintf(stream, " */\n");
}

static void write_guard(FILE *stream, const char *directive, const char *name) {
    fprintf(stream, "#%s ", directive);
    for (const char *c = name; *c; c++) {
        fputc(toupper((unsigned char)*c), stream);
    }
    fprintf(stream, "_H\n");
}

bool jl_host_c_files_begin(struct c_files *files, const char *directory, const char *name,
                           const char *made, const char *include, struct jl_complaint *complaint) {
    char path[1024];
    memset(files, 0, sizeof *files);
    files->name = name;
    if (!jl_host_c_is_name(name)) {
        return jl_complain(complaint, "\"%.80s\" is no name for C: expected letters, digits and _",
                           name);
    }
    if (!jl_directory_make(directory, complaint) ||
        !jl_path_join(path, sizeof path, directory, name, ".h", complaint) ||
        !jl_file_begin(&files->header, path, complaint)) {
        return false;
    }
    if (!jl_path_join(path, sizeof path, directory, name, ".c", complaint) ||
        !jl_file_begin(&files->body, path, complaint)) {
        jl_file_abandon(&files->header);
        return false;
    }
    write_comment(files->header.stream, made);
    write_guard(files->header.stream, "ifndef", name);
    write_guard(files->header.stream, "define", name);
    fprintf(files->header.stream, "\n#include \"%s\"\n\n", include);
    write_comment(files->body.stream, made);
    fprintf(files->body.stream, "#include \"%s.h\"\n\n", name);
    return true;
}

static void finish(struct jl_file *file) {
    if (ferror(file->stream) || fflush(file->stream) != 0) {
        jl_file_fail(file);
    }
}

bool jl_host_c_files_commit(struct c_files *files, struct jl_complaint *complaint) {
    fprintf(files->header.stream, "\n#endif\n");
    finish(&files->header);
    finish(&files->body);
    if (files->body.failed) {
        jl_file_fail(&files->header);
    }
    bool good = jl_file_commit(&files->header, complaint);
    if (!good) {
        jl_file_abandon(&files->body);
        return false;
    }
    good = jl_file_commit(&files->body, complaint);
    if (!good) { /* the header alone is of no use */
        remove(files->header.path);
    }
    return good;
}

void jl_host_c_write_bytes(FILE *stream, const uint8_t *bytes, size_t count) {
    for (size_t i = 0; i < count; i++) {
        fprintf(stream, "%s0x%02X,%s", i % BYTES_A_LINE ? " " : "    ", bytes[i],
                i % BYTES_A_LINE == BYTES_A_LINE - 1 || i == count - 1 ? "\n" : "");
    }
}
