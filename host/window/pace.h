/* Real time, in seconds. */
#ifndef JADELAMP_HOST_WINDOW_PACE_H
#define JADELAMP_HOST_WINDOW_PACE_H

double jl_host_real_s(void);
void jl_host_real_wait(double seconds);

#endif
