/* The minute of physics of core/src/study/outage/outage-stepper.ts as a plain C program, to measure it against.
   Reads a plan written by bench-outage.mjs, plays an outage from every hour to its end, and writes minutes survived. */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

enum { YEAR = 525600, STAGES = 8 };

static double usable, start_wh, kept, charge_w, eta_c, taper_from, at_full, discharge_w, low_below, at_empty, standby, tries_max,
    tries_per_minute, reset_after, restore, eta_dc, loss, loss2, retry_after, solar_return;
static int has_generator, locks_out;
static double gen_w, gen_below, gen_above, gen_warm, gen_charger, gen_fuel, gen_idle, gen_full;
static uint8_t quiet[24];
static int stages, minutes, hours, horizon, from;
static double thresholds[STAGES];
static double *demand[STAGES];
static uint8_t *overload[STAGES], *beside[STAGES];
static uint8_t *pickups;
static float *ac, *dc, *charge_share, *discharge_share;

static double soc, fuel, up, tries, engine_min, waited_min;
static int stage, dark, engine;
static double served;

static void trip(void) {
  dark = tries >= tries_max ? 2 : 3;
  waited_min = 0;
  served = 0;
}
static void burn(double w) {
  double litres = fmin(fuel, fmax(0, gen_idle + (gen_full - gen_idle) * (w / gen_w)) / 60);
  fuel -= litres;
}
static int run_engine(int clock) {
  double share = soc / usable;
  int allowed = !quiet[clock] && fuel > 0;
  if (engine == 0) {
    if (share > gen_below || fuel <= 0 || !allowed) return 0;
    engine = 2;
    engine_min = 0;
  }
  if (share >= gen_above || !allowed) { engine = 0; return 0; }
  if (engine == 2) {
    engine_min += 1;
    if (engine_min <= gen_warm) { burn(0); return 0; }
    engine = 3;
  }
  return 1;
}
static int comes_back(int m, int running) {
  if (dark == 2) {
    waited_min += 1;
    if (waited_min < reset_after) return 0;
    tries = 0;
  } else if (dark == 3) {
    waited_min += 1;
    if (waited_min < retry_after) return 0;
    waited_min = 0;
    tries += tries_per_minute;
    if ((running ? beside : overload)[stage][m]) { trip(); return 0; }
  } else if (!running && soc < kept + 0.05 * usable) return 0;
  dark = 0;
  up = 0;
  return 1;
}
static void step(int m) {
  int y = (from + m) % YEAR, h = y / 60;
  served = 0;
  int running = has_generator && run_engine(h % 24);
  if (dark && !comes_back(m, running)) return;
  while (stage < stages - 1 && soc <= thresholds[stage]) stage++;
  while (stage > 0 && soc >= fmin(usable, thresholds[stage - 1] + restore)) stage--;
  double load = demand[stage][m];
  if ((running ? beside : overload)[stage][m]) { trip(); return; }
  double a = up >= solar_return && !(running && locks_out) ? ac[y] : 0, d = dc[y], rest = load + standby, g = 0;
  if (running) { g = fmin(rest, gen_w); rest -= g; }
  double a1 = a < rest ? a : rest;
  rest -= a1;
  if (rest < 1e-6) rest = 0;
  double want = rest * (1 + loss + loss2 * rest), d1 = d < want ? d : want;
  double out = want - d1;
  if (out < 1e-6) out = 0;
  if (out > 0) {
    double cold = discharge_share[h];
    double low = soc < low_below ? at_empty + (1 - at_empty) * (soc / low_below) : 1;
    if (cold < 1 && out > discharge_w * cold) { trip(); return; }
    if (low < 1 && out > discharge_w * low) { dark = 1; return; }
  }
  double left = soc - kept, share = 1;
  if (out / 60 > left && out > 0) share = left > 0 ? left / (out / 60) : 0;
  double in = 0, gin = 0;
  if (out == 0 && share == 1) {
    double taper = soc > taper_from ? 1 - (1 - at_full) * (soc - taper_from) / (usable - taper_from) : 1;
    double limit = fmin(charge_w * charge_share[h] * taper, (usable - soc) * 60);
    if (limit > 0) {
      double di = fmin((d - d1) * eta_dc, limit), ai = fmin((a - a1) * eta_c, limit - di);
      if (running) gin = fmax(0, fmin(fmin(gen_w - g, gen_charger) * eta_c, limit - di - ai));
      in = di + ai + gin;
    }
  }
  double before = soc;
  soc += (in - out * share) / 60;
  if (usable - soc < usable * 1e-12) soc = usable;
  if (share < 1) soc = kept < before ? kept : before;
  if (running) burn(g + gin / eta_c);
  served = share;
  if (share < 1) { dark = 1; return; }
  tries = 0;
  up = running && locks_out ? 0 : up + 1;
}
static void *take(FILE *f, size_t size, size_t count) {
  void *p = malloc(size * count);
  if (!p || fread(p, size, count, f) != count) exit(2);
  return p;
}
int main(int argc, char **argv) {
  FILE *f = fopen(argv[1], "rb");
  if (!f || argc < 3) return 1;
  double *n = take(f, 8, 40);
  int i = 0;
  stages = n[i++]; minutes = n[i++]; hours = n[i++]; horizon = n[i++]; from = n[i++];
  usable = n[i++]; start_wh = n[i++]; kept = n[i++]; charge_w = n[i++]; eta_c = n[i++]; taper_from = n[i++]; at_full = n[i++];
  discharge_w = n[i++]; low_below = n[i++]; at_empty = n[i++]; standby = n[i++]; tries_max = n[i++];
  tries_per_minute = n[i++]; reset_after = n[i++]; restore = n[i++];
  has_generator = n[i++]; locks_out = n[i++]; gen_w = n[i++]; gen_below = n[i++]; gen_above = n[i++]; gen_warm = n[i++];
  gen_charger = n[i++]; gen_fuel = n[i++]; gen_idle = n[i++]; gen_full = n[i++];
  eta_dc = n[i++]; loss = n[i++]; loss2 = n[i++]; retry_after = n[i++]; solar_return = n[i++];
  double *t = take(f, 8, STAGES);
  memcpy(thresholds, t, sizeof thresholds);
  uint8_t *q = take(f, 1, 24);
  memcpy(quiet, q, 24);
  for (int s = 0; s < stages; s++) { demand[s] = take(f, 8, minutes); overload[s] = take(f, 1, minutes); beside[s] = take(f, 1, minutes); }
  pickups = take(f, 1, minutes / 60);
  ac = take(f, 4, YEAR); dc = take(f, 4, YEAR); charge_share = take(f, 4, 8760); discharge_share = take(f, 4, 8760);
  fclose(f);
  float *survived = malloc(sizeof(float) * hours);
  struct timespec begin, end;
  clock_gettime(CLOCK_MONOTONIC, &begin);
  long steps = 0;
  for (int s = 0; s < hours; s++) {
    int b = s * 60;
    soc = start_wh; fuel = has_generator ? gen_fuel : 0; up = tries = engine_min = waited_min = 0;
    stage = dark = engine = 0;
    for (int k = 0; k < stages - 1; k++) if (soc <= thresholds[k]) stage = k + 1;
    if (pickups[s]) dark = 2;
    double ended = b + horizon;
    for (int m = b; m < b + horizon; m++) {
      if (dark == 2) { ended = m; break; }
      step(m);
      steps++;
      if (dark == 1) { ended = m + served; break; }
    }
    survived[s] = ended - b;
  }
  clock_gettime(CLOCK_MONOTONIC, &end);
  FILE *o = fopen(argv[2], "wb");
  fwrite(survived, sizeof(float), hours, o);
  fclose(o);
  printf("%f %ld\n", (end.tv_sec - begin.tv_sec) * 1e3 + (end.tv_nsec - begin.tv_nsec) / 1e6, steps);
  return 0;
}
