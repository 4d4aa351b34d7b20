/* Nanoseconds that PROJ takes a position: forth, back, and with its scale. Prints one line a system: forward inverse scale. */
#include <proj.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define PLACES 1000
#define ROUNDS 2000

static double now(void) {
    struct timespec t;
    clock_gettime(CLOCK_MONOTONIC, &t);
    return t.tv_sec * 1e9 + t.tv_nsec;
}

int main(int argc, char **argv) {
    for (int a = 1; a < argc; a++) {
        PJ *p = proj_create(NULL, argv[a]);
        if (!p) {
            fprintf(stderr, "cannot read %s\n", argv[a]);
            return 1;
        }
        static PJ_COORD places[PLACES], points[PLACES];
        srand(1);
        for (int i = 0; i < PLACES; i++) {
            double lat = 55 + 3.0 * rand() / RAND_MAX, lon = 8 + 4.0 * rand() / RAND_MAX;
            places[i] = proj_coord(proj_torad(lon), proj_torad(lat), 0, 0);
            points[i] = proj_trans(p, PJ_FWD, places[i]);
        }
        volatile double sum = 0;
        double begin = now();
        for (int r = 0; r < ROUNDS; r++)
            for (int i = 0; i < PLACES; i++) sum += proj_trans(p, PJ_FWD, places[i]).xy.x;
        double forward = now() - begin;
        begin = now();
        for (int r = 0; r < ROUNDS; r++)
            for (int i = 0; i < PLACES; i++) sum += proj_trans(p, PJ_INV, points[i]).lp.phi;
        double inverse = now() - begin;
        begin = now();
        for (int r = 0; r < ROUNDS; r++)
            for (int i = 0; i < PLACES; i++) sum += proj_factors(p, places[i]).meridional_scale;
        double scale = now() - begin;
        double each = (double) PLACES * ROUNDS;
        printf("%.1f %.1f %.1f\n", forward / each, inverse / each, scale / each);
        proj_destroy(p);
    }
    return 0;
}
