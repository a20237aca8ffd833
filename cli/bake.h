/* What the parts of jadelamp bake share. */
#ifndef JADELAMP_CLI_BAKE_H
#define JADELAMP_CLI_BAKE_H

#include "cli.h"
#include "jadelamp/host/bake_picture.h"

int bake_glyph(int argc, const char **argv);
int bake_picture(int argc, const char **argv);
int bake_frames(int argc, const char **argv);
int bake_font(int argc, const char **argv);
int bake_art(int argc, const char **argv);
int bake_screen(int argc, const char **argv);
int bake_card(int argc, const char **argv);
int bake_steps(int argc, const char **argv);

/* The name that was given, or the file's. */
const char *bake_name(const char *given, const char *path, char usual[100]);

/* The command as typed, for the baked files. */
void bake_command(int argc, const char **argv, char *made, size_t size);

/* What was typed, as popt gives it. */
struct typed {
    char *into, *name, *format, *card, *size, *fit, *crop, *turn, *background, *clear, *key,
        *dither;
    int plain, raw, json;
};

/* A recipe from what was typed; false: reported. */
bool bake_recipe(const char *verb, const struct typed *typed, struct jl_picture_recipe *recipe);

/* An object with the name, the folder and the files of what was written; endings end with NULL. */
cJSON *bake_json(const char *name, const char *directory, const char *const endings[4]);

#endif
