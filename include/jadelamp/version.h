/* The version of the library, for programs that must tell which one they hold. */
#ifndef JADELAMP_VERSION_H
#define JADELAMP_VERSION_H

#define JL_VERSION_TEXT "0.1.0"

#endif
