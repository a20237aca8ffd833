/* Files, serial lines and sockets, opened for reading; lines and sockets for an answer, too. */
#include "watch_source.h"

#include <errno.h>
#include <fcntl.h>
#include <netdb.h>
#include <stdio.h>
#include <string.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <termios.h>
#include <unistd.h>

#include "cli.h"

static int failed(const char *verb, const char *text, int file) {
    cli_bad(verb, "--from %s: %s", text, strerror(errno));
    if (file >= 0) {
        close(file);
    }
    return -1;
}

static int open_unix(const char *verb, const char *text) {
    struct sockaddr_un address = {.sun_family = AF_UNIX};
    const char *path = text + strlen("unix:");
    if (strlen(path) >= sizeof address.sun_path) {
        cli_bad(verb, "--from %s: the path is too long for a socket", text);
        return -1;
    }
    strcpy(address.sun_path, path);
    int file = socket(AF_UNIX, SOCK_STREAM, 0);
    bool good = file >= 0 && connect(file, (const struct sockaddr *)&address, sizeof address) == 0;
    return good ? file : failed(verb, text, file);
}

static int open_tcp(const char *verb, const char *text) {
    char host[200];
    const char *colon = strrchr(text, ':'), *begin = text + strlen("tcp:");
    const struct addrinfo hints = {.ai_socktype = SOCK_STREAM};
    struct addrinfo *found = NULL;
    if (colon < begin || !colon[1] || (size_t)(colon - begin) >= sizeof host) {
        cli_bad(verb, "--from %s: expected tcp:HOST:PORT, such as tcp:localhost:4444", text);
        return -1;
    }
    snprintf(host, sizeof host, "%.*s", (int)(colon - begin), begin);
    int error = getaddrinfo(host, colon + 1, &hints, &found);
    if (error) {
        cli_bad(verb, "--from %s: %s", text, gai_strerror(error));
        return -1;
    }
    int file = socket(found->ai_family, found->ai_socktype, found->ai_protocol);
    bool good = file >= 0 && connect(file, found->ai_addr, found->ai_addrlen) == 0;
    freeaddrinfo(found);
    return good ? file : failed(verb, text, file);
}

static speed_t speed_of(int baud) {
    static const struct {
        int baud;
        speed_t speed;
    } known[] = {{9600, B9600},       {19200, B19200},    {38400, B38400},   {57600, B57600},
                 {115200, B115200},   {230400, B230400},  {460800, B460800}, {921600, B921600},
                 {1000000, B1000000}, {2000000, B2000000}};
    for (size_t i = 0; i < sizeof known / sizeof known[0]; i++) {
        if (known[i].baud == baud) {
            return known[i].speed;
        }
    }
    return B0;
}

static int open_file(const char *verb, const char *text, int baud) {
    struct termios line;
    struct stat about;
    int file = strcmp(text, "-") == 0 ? dup(STDIN_FILENO) : -1;
    if (file < 0 && stat(text, &about) == 0 && S_ISCHR(about.st_mode)) { /* a serial line */
        file = open(text, O_RDWR | O_NOCTTY);
    }
    if (file < 0) {
        file = open(text, O_RDONLY | O_NOCTTY);
    }
    if (file < 0) {
        return failed(verb, text, file);
    }
    if (isatty(file) && tcgetattr(file, &line) == 0) {
        speed_t speed = speed_of(baud);
        if (speed == B0) {
            cli_bad(verb, "--baud %d: expected 9600, 19200 ... 115200 ... 2000000", baud);
            close(file);
            return -1;
        }
        cfmakeraw(&line);
        cfsetispeed(&line, speed);
        cfsetospeed(&line, speed);
        if (tcsetattr(file, TCSANOW, &line) != 0) {
            return failed(verb, text, file);
        }
    }
    return file;
}

int cli_open_source(const char *verb, const char *text, int baud) {
    if (strncmp(text, "unix:", 5) == 0) {
        return open_unix(verb, text);
    }
    return strncmp(text, "tcp:", 4) == 0 ? open_tcp(verb, text) : open_file(verb, text, baud);
}
