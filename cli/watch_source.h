/* Where the bytes of a tap come from: --from. */
#ifndef JADELAMP_CLI_WATCH_SOURCE_H
#define JADELAMP_CLI_WATCH_SOURCE_H

/*
 * Opens a file, a serial line (set to 8N1 at that speed), "-" (what is piped in), unix:PATH or
 * tcp:HOST:PORT. A negative number: reported.
 */
int cli_open_source(const char *verb, const char *text, int baud);

#endif
