/*
 * jadelamp complete WORD...: what the last word may become, for the completion of shells. Verbs,
 * options and the kinds of their values are read from the help of the verbs, so that there is
 * nothing to keep in step.
 */
#include "cli.h"

#include <ctype.h>
#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/wait.h>
#include <unistd.h>

#include "jadelamp/host/catalog.h"

enum { HELP_BYTES = 16384, KIND_BYTES = 40 };

/* What is asked for: words so far, and the one under way. */
struct asked {
    const char *begun;
    const char *before; /* what is printed in front of each, as "--card=" */
    char help[HELP_BYTES];
};

static void offer(const struct asked *asked, const char *word, size_t length) {
    size_t begun = strlen(asked->begun);
    if (length >= begun && strncmp(word, asked->begun, begun) == 0) {
        printf("%s%.*s\n", asked->before, (int)length, word);
    }
}

static void offer_card(void *context, const char *name, const char *path) {
    (void)path;
    offer(context, name, strlen(name));
}

static void offer_parts(const struct asked *asked) {
    size_t count;
    const struct jl_catalog_entry *entries = jl_catalog(&count);
    for (size_t i = 0; i < count; i++) {
        offer(asked, entries[i].name, strlen(entries[i].name));
    }
}

/* Values by what the help calls them. */
static void offer_kind(struct asked *asked, const char *kind) {
    if (strncmp(kind, "CARD", 4) == 0) {
        jl_share_cards("cards", offer_card, asked);
        puts(":file");
    } else if (strcmp(kind, "PART") == 0) {
        offer_parts(asked);
    } else if (strcmp(kind, "DIR") == 0) {
        puts(":folder");
    } else if (strchr(kind, '|')) {
        for (const char *at = kind; *at;
             at += at[strcspn(at, "|")] ? strcspn(at, "|") + 1 : strlen(at)) {
            offer(asked, at, strcspn(at, "|"));
        }
    } else if (strncmp(kind, "FILE", 4) == 0 || strcmp(kind, "SHEET") == 0 ||
               strcmp(kind, "SOURCE") == 0 || strncmp(kind, "PROGRAM", 7) == 0 ||
               strncmp(kind, "CAPTURE", 7) == 0 || strstr(kind, ".png")) {
        puts(":file");
    }
}

/* ---- the help of a verb ---- */

/* It goes to a pipe. Empty where there is none. */
static void read_help(struct asked *asked, const char *verb, const char *what) {
    int ends[2];
    asked->help[0] = '\0';
    if (pipe(ends) != 0) {
        return;
    }
    pid_t child = fork();
    if (child == 0) {
        const char *words[] = {"jadelamp", verb, what ? what : "--help", what ? "--help" : NULL,
                               NULL};
        int nowhere = open("/dev/null", O_WRONLY); /* what it complains of is not for now */
        dup2(ends[1], STDOUT_FILENO);
        if (nowhere >= 0) {
            dup2(nowhere, STDERR_FILENO);
        }
        close(ends[0]);
        close(ends[1]);
        /* It takes the words and changes none of them. */
        execv("/proc/self/exe", (char *const *)(uintptr_t)words);
        _exit(EXIT_BAD);
    }
    close(ends[1]);
    size_t length = 0;
    ssize_t got = 1;
    while (child > 0 && got > 0 && length + 1 < sizeof asked->help) {
        got = read(ends[0], asked->help + length, sizeof asked->help - 1 - length);
        length += got > 0 ? (size_t)got : 0;
    }
    asked->help[length] = '\0';
    close(ends[0]);
    if (child > 0) {
        waitpid(child, NULL, 0);
    }
}

/* A line of an option: "  -c, --card=CARD   ...", or "      --json". */
struct option_line {
    char letter; /* '\0': none */
    const char *name;
    size_t length;
    char kind[KIND_BYTES]; /* of its value; "": it has none */
};

static const char *next_line(const char *line) {
    const char *end = strchr(line, '\n');
    return end ? end + 1 : NULL;
}

static bool read_option(const char *line, struct option_line *option) {
    if (strncmp(line, "  -", 3) != 0 && strncmp(line, "      --", 8) != 0) {
        return false;
    }
    option->letter = line[2] == '-' ? line[3] : '\0';
    const char *name = strstr(line, "--");
    if (!name || name > line + 6) {
        return false;
    }
    option->name = name;
    option->length = 2 + strcspn(name + 2, "= \n");
    const char *kind = name + option->length;
    /* A value stands right behind; two blanks begin the words. */
    bool valued = *kind == '=' || (*kind == ' ' && isupper((unsigned char)kind[1]));
    snprintf(option->kind, sizeof option->kind, "%.*s", valued ? (int)strcspn(kind + 1, " \n") : 0,
             valued ? kind + 1 : "");
    return true;
}

static void offer_options(const struct asked *asked) {
    struct option_line option;
    for (const char *line = asked->help; line; line = next_line(line)) {
        if (read_option(line, &option)) {
            offer(asked, option.name, option.length);
        }
    }
}

/* The kind of value that a word waits for; NULL: it waits for none. */
static const char *kind_behind(const struct asked *asked, const char *word,
                               struct option_line *option) {
    size_t length = strcspn(word, "=");
    for (const char *line = asked->help; line && word[0] == '-'; line = next_line(line)) {
        if (!read_option(line, option) || !option->kind[0]) {
            continue;
        }
        bool by_name = length == option->length && strncmp(word, option->name, length) == 0;
        bool by_letter = option->letter && word[1] == option->letter && !word[2];
        if (by_name || by_letter) {
            return option->kind;
        }
    }
    return NULL;
}

/* What stands in the first line behind "Usage: jadelamp VERB [WHAT]". */
static void offer_operand(struct asked *asked, int verbs) {
    char kind[KIND_BYTES];
    const char *at = asked->help;
    for (int i = 0; i < 2 + verbs && *at; i++) {
        at += strcspn(at, " \n");
        at += *at == ' ';
    }
    at += *at == '[';
    snprintf(kind, sizeof kind, "%.*s", (int)strcspn(at, " ]\n"), at);
    offer_kind(asked, kind);
}

/* The words that begin lines: what bake can make. */
static void offer_whats(const struct asked *asked) {
    for (const char *line = asked->help; line; line = next_line(line)) {
        if (line[0] == ' ' && line[1] == ' ' && islower((unsigned char)line[2])) {
            offer(asked, line + 2, strcspn(line + 2, " \n"));
        }
    }
}

static void offer_verbs(const struct asked *asked) {
    const char *name;
    for (int i = 0; (name = cli_verb_name(i)) != NULL; i++) {
        offer(asked, name, strlen(name));
    }
    if (asked->begun[0] == '-') {
        offer(asked, "--help", 6);
        offer(asked, "--version", 9);
    }
}

/* Of the last word, with those before it. */
static void complete(struct asked *asked, int count, const char **words) {
    bool bakes = count > 1 && strcmp(words[0], "bake") == 0;
    int verbs = bakes && count > 2 ? 2 : 1;
    struct option_line option;
    asked->begun = words[count - 1];
    asked->before = "";
    if (count == 1) {
        offer_verbs(asked);
        return;
    }
    read_help(asked, words[0], verbs == 2 ? words[1] : NULL);
    if (bakes && verbs == 1) {
        offer_whats(asked);
        return;
    }
    /* Some shells make three words of "--card=ssd": the sign is one of them. */
    bool split =
        strcmp(asked->begun, "=") == 0 || (count > verbs + 2 && strcmp(words[count - 2], "=") == 0);
    const char *waits = words[strcmp(asked->begun, "=") == 0 ? count - 2 : count - (split ? 3 : 2)];
    if (strcmp(asked->begun, "=") == 0) {
        asked->begun = "";
    }
    const char *sign = strchr(asked->begun, '=');
    const char *kind = kind_behind(asked, waits, &option);
    if (kind && (split || !strchr(waits, '='))) {
        offer_kind(asked, kind);
    } else if (asked->begun[0] == '-' && sign) {
        char before[80];
        kind = kind_behind(asked, asked->begun, &option);
        snprintf(before, sizeof before, "%.*s", (int)(sign + 1 - asked->begun), asked->begun);
        asked->before = before;
        asked->begun = sign + 1;
        offer_kind(asked, kind ? kind : "");
    } else if (asked->begun[0] == '-') {
        offer_options(asked);
    } else {
        offer_operand(asked, verbs);
    }
}

int verb_complete(int argc, const char **argv) {
    if (argc < 2 || strcmp(argv[1], "--help") == 0) {
        puts("Usage: jadelamp complete WORD...\n\n"
             "Prints what the last WORD may become, a line each; \":file\" or \":folder\" where "
             "it\nmay be one. The completion of bash, zsh and fish asks so.");
        return argc < 2 ? EXIT_BAD : EXIT_GOOD;
    }
    struct asked *asked = calloc(1, sizeof *asked);
    if (!asked) {
        return cli_bad(argv[0], "out of memory");
    }
    complete(asked, argc - 1, argv + 1);
    free(asked);
    return EXIT_GOOD;
}
