#include "screen_shim.h"

#include <dlfcn.h>
#include <stdio.h>
#include <string.h>

#include "harness.h"
#include "shell.h"

/* A line that sets a value from what the test has. */
static void write_setter(FILE *out, const struct jl_screen_value *value, int index) {
    const char *name = value->name;
    fprintf(out, "    case %d:\n", index);
    switch (value->kind) {
    case JL_SCREEN_WORDS:
        fprintf(out,
                "        for (size_t i = 0; i < sizeof shown.values.%s; i++) {\n"
                "            shown.values.%s[i] = words[i];\n        }\n",
                name, name);
        break;
    case JL_SCREEN_SERIES:
        fprintf(out,
                "        for (int i = 0; i < %d; i++) {\n            shown.values.%s[i] = "
                "series[i];\n        }\n",
                value->count, name);
        break;
    default:
        fprintf(out, "        shown.values.%s = number%s;\n", name,
                value->kind == JL_SCREEN_SWITCH ? " != 0" : "");
        break;
    }
    fputs("        break;\n", out);
}

static void write_shim(FILE *out, const struct jl_screen *screen) {
    const char *name = jl_screen_name(screen);
    fprintf(out,
            "#include \"%s.h\"\n"
            "void shim_set(int which, int32_t number, const char *words, const int16_t *series);\n"
            "void shim_page(int page);\nint shim_shown_page(void);\nvoid shim_zero(void);\n"
            "size_t shim_bytes(void);\nvoid shim_draw(struct jl_target *target);\n"
            "bool shim_update(struct jl_target *target);\n"
            "static struct %s shown;\n"
            "void shim_set(int which, int32_t number, const char *words, const int16_t *series) {\n"
            "    (void)number;\n    (void)words;\n    (void)series;\n    switch (which) {\n",
            name, name);
    for (int i = 0; i < jl_screen_value_count(screen); i++) {
        struct jl_screen_value value = jl_screen_value(screen, i);
        write_setter(out, &value, i);
    }
    fprintf(out,
            "    default:\n        break;\n    }\n}\n"
            "void shim_page(int page) { shown.page = (uint8_t)page; }\n"
            "int shim_shown_page(void) { return shown.page; }\n"
            "void shim_zero(void) { shown = (struct %s){0}; }\n"
            "size_t shim_bytes(void) { return sizeof shown; }\n"
            "void shim_draw(struct jl_target *target) { %s_draw(&shown, target); }\n"
            "bool shim_update(struct jl_target *target) { return %s_update(&shown, target); }\n",
            name, name, name);
}

/* An object pointer holds a function's address (POSIX). */
static void find(void *object, const char *name, void *function) {
    void *symbol = dlsym(object, name);
    test_row("%s", name);
    EXPECT(symbol != NULL);
    memcpy(function, &symbol, sizeof symbol);
}

bool screen_shim_load(struct screen_shim *shim, const struct jl_screen *screen,
                      const char *directory, bool has_events) {
    char line[3000];
    struct jl_screen_cost cost;
    struct jl_complaint complaint = {""};
    memset(shim, 0, sizeof *shim);
    EXPECT(jl_screen_write(screen, shell_path(directory), "a test", &cost, &complaint));
    shim->cost = cost;
    snprintf(line, sizeof line, "%s/shim.c", directory);
    FILE *out = fopen(shell_path(line), "w");
    if (!EXPECT(out != NULL)) {
        return false;
    }
    write_shim(out, screen);
    if (has_events) {
        fprintf(out,
                "bool shim_event(const struct jl_event *event);\nbool shim_event(const struct "
                "jl_event *event) { return %s_event(&shown, event); }\n",
                jl_screen_name(screen));
    }
    fclose(out);
    /* No warning is a promise, too. -Wconversion would find the shim's own conversions. */
    snprintf(line, sizeof line,
             "cd %s && for f in *.c; do " CC
             " -std=c11 -g -O1 -fPIC -Wall -Wextra -Wpedantic -Wshadow "
             "$([ $f = shim.c ] || echo -Wconversion) -Werror %s -I%s -c $f || exit 1; done && " CC
             " -shared %s *.o %s -o shim.so",
             directory, SANITIZER_FLAGS, INCLUDE_DIR, SANITIZER_FLAGS, LIBRARY);
    if (!EXPECT_INT(shell(line), 0)) {
        printf("%s\n", output);
        return false;
    }
    snprintf(line, sizeof line, "./%s/shim.so", shell_path(directory));
    shim->object = dlopen(line, RTLD_NOW | RTLD_LOCAL);
    if (!EXPECT(shim->object != NULL)) {
        printf("%s\n", dlerror());
        return false;
    }
    find(shim->object, "shim_set", &shim->set);
    find(shim->object, "shim_page", &shim->page);
    find(shim->object, "shim_shown_page", &shim->shown_page);
    find(shim->object, "shim_zero", &shim->zero);
    find(shim->object, "shim_bytes", &shim->bytes);
    find(shim->object, "shim_draw", &shim->draw);
    find(shim->object, "shim_update", &shim->update);
    if (has_events) {
        find(shim->object, "shim_event", &shim->event);
    }
    return true;
}

void screen_shim_state(const struct screen_shim *shim, const struct jl_screen *screen,
                       const struct jl_screen_state *state) {
    for (int i = 0; i < jl_screen_value_count(screen); i++) {
        shim->set(i, state->numbers[i], state->words[i], state->series[i]);
    }
    shim->page(state->page);
}

void screen_shim_close(struct screen_shim *shim) {
    if (shim->object) {
        dlclose(shim->object);
    }
}
