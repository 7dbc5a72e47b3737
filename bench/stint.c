/*
 * The stint of a car in plain C, with a fixed step of 1 ms and the midpoint rule: the yardstick of docs/performance.md.
 * A translation of core/physics (motor.ts, brakeChopper.ts, pack.ts, wheels.ts, thermalNodes.ts) for a damped bridge.
 * Reads its numbers from standard input, in the order in which bench/stint.bench.ts writes them.
 */
#include <math.h>
#include <stdio.h>
#include <time.h>

enum { SPEED, TYRE, DISTANCE, DRAWN, SLOW, SEEN, WINDING, CASE, ESC, PACK, SIZE };

static double K, R, L, I0, pairs, rotor, Rb, tsw;
static double cells, packOhm, leadOhm, capacity, charge0;
static double mass, radius, drive, share, grip, rolling, area, wheelJ, eta, corner;
static double wJ, cJ, eJ, wc, cAir, eAir;
static double driveHz, brakeHz, advanceRad, ramp, air, packJ, packAir, own;
static double ocv[21];

static double openCircuit(double soc) {
  double place = fmax(0, fmin(1, soc)) * 20;
  int below = (int)fmin(floor(place), 19);
  return ocv[below] + (place - below) * (ocv[below + 1] - ocv[below]);
}

static double chopperDc(double b, double f, double E, double V) {
  double shorted = E / R;
  if (b >= 1) return shorted;
  double open = (E - V) / R, tau = L / R, period = 1 / f, on = b * period, off = period - on;
  double onDecay = exp(-on / tau), offDecay = exp(-off / tau);
  double trough0 = (open * (1 - offDecay) + shorted * (1 - onDecay) * offDecay) / (1 - onDecay * offDecay);
  double trough = fmax(0, trough0), peak = shorted + (trough - shorted) * onDecay;
  double onCharge = (E * on - L * (peak - trough)) / R;
  if (trough0 >= 0) return (onCharge + ((E - V) * off - L * (trough - peak)) / R) / period;
  double fall = open < 0 ? tau * log1p(peak / -open) : off, conducting = fmin(fall, off);
  return (onCharge + ((E - V) * conducting + L * peak) / R) / period;
}

static double phasor(double b, double we, double E, double V) {
  double r = R / 2, X = we * L / 2, ph = M_PI * E / (3 * sqrt(3)), V1 = (2 / M_PI) * (1 - b) * V;
  double a = r * r + X * X, bb = 2 * r * V1, c = V1 * V1 - ph * ph;
  if (c >= 0) return -1;
  double i = (-bb + sqrt(bb * bb - 4 * a * c)) / (2 * a);
  return 1.5 * i * (r * i + V1) / E;
}

static double brakeAmps(double b, double w, double open, double Rp) {
  double E = K * w, three = M_PI * M_PI / 9, we = pairs * w, volts = open, current = 0;
  if (E <= 0) return 0;
  if (b >= 1) { double q = we * L / R; return three * (E / R) / (1 + q * q); }
  for (int n = 0; n < 3; n++) {
    double direct = three * chopperDc(b, brakeHz, E, volts), limit = phasor(b, we, E, volts);
    if (limit < 0) current = direct;
    else {
      double onset = (2 / M_PI) * (1 - b) * volts * 3 * sqrt(3) / M_PI;
      current = fmin(direct, fmax(limit, three * chopperDc(b, brakeHz, onset, volts)));
    }
    volts = open + (1 - b) * current * Rp;
  }
  return current;
}

static double warmth(double celsius) {
  return celsius < 20 ? 1 + 0.035 * (20 - celsius) : 1 / (1 + 0.012 * (celsius - 20));
}

static double leastCell = 1e9;

static void rates(const double *y, int braking, double value, double *out) {
  double tyre = fmax(0, y[TYRE]), gearing = drive / radius, w = tyre * gearing;
  double soc = charge0 - y[DRAWN] / (capacity * 3600), cellOhm = packOhm - leadOhm;
  double low = soc >= 0.1 ? 1 : 2 - fmax(0, soc) / 0.1, cellsOhm = cellOhm * low * warmth(y[PACK]) / warmth(air);
  double Rp = cellsOhm + leadOhm;
  double open = cells * openCircuit(soc) - y[SLOW], amps, torque, winding, esc, motorAmps;
  if (!braking && value > 0) {
    double heat = (1 + 0.00393 * (y[WINDING] - 20)) / (1 + 0.00393 * 30);
    double Rw = (R - Rb) * heat, Rt = Rw + Rb, we = pairs * w, cosine = cos(advanceRad);
    double E = K * w * cosine, resisting = Rt + 0.7 * we * L;
    motorAmps = (value * open - E) / (resisting + value * value * Rp);
    double swing = value < 1 ? open * value * (1 - value) / (L * driveHz) : 0, ripple = swing * swing / 12;
    double carried = fabs(motorAmps), fade = fmin(1, (1 - value) * 50);
    double sw = value < 1 ? fade * carried * driveHz * (0.5 * open * tsw + 2 * 0.8 * 400e-9) : 0;
    double copper = motorAmps * motorAmps * (Rt + 0.15 * we * L), bridge = Rb / Rt;
    double gross = K * cosine * motorAmps + 0.55 * pairs * L * motorAmps * carried, friction = K * I0;
    double pack = value * motorAmps, volts = fmax(open - pack * Rp, open * 0.1);
    amps = pack + (ripple * Rt + sw) / volts;
    torque = w > 0 ? gross - friction : fmax(0, gross - friction);
    winding = (copper + ripple * Rt) * (1 - bridge) + friction * w;
    esc = (copper + ripple * Rt) * bridge + sw;
  } else {
    double b = braking ? value : 0;
    motorAmps = b > 0 ? brakeAmps(b, w, open, Rp) : 0;
    double friction = w > 0 ? I0 : 0, back = (1 - b) * motorAmps;
    double lost = fmax(0, K * (motorAmps + friction) * w - back * (open + back * Rp));
    amps = -back;
    torque = -K * (motorAmps + friction);
    esc = lost * Rb / R;
    winding = lost * (R - Rb) / R;
  }
  double volts = open - amps * Rp;
  if (volts / cells < leastCell) leastCell = volts / cells;
  double force = torque >= 0 ? torque * gearing * eta : torque * gearing / eta;
  double moving = y[SPEED] > 0.1, g = 9.80665;
  double drag = rolling * mass * g + moving * corner * mass * g + 0.5 * 1.225 * area * y[SPEED] * y[SPEED];
  double turning = (wheelJ + rotor * drive * drive) / (radius * radius), whole = mass + turning;
  double limit = grip * mass * g * share, slip = y[TYRE] - y[SPEED];
  double held = force - turning * (force - drag) / whole;
  if (y[SPEED] <= 0 && y[TYRE] <= 1e-9 && force <= drag) { out[SPEED] = out[TYRE] = 0; }
  else if (fabs(slip) > 1e-6 || fabs(held) > limit) {
    double ground = fabs(slip) > 1e-6 ? (slip > 0 ? limit : -limit) : (held > 0 ? limit : -limit);
    out[SPEED] = (ground - drag) / mass;
    out[TYRE] = (force - ground) / turning;
  } else out[SPEED] = out[TYRE] = (force - drag) / whole;
  out[DISTANCE] = y[SPEED];
  out[DRAWN] = amps;
  out[SLOW] = (amps * cellOhm * 0.45 - y[SLOW]) / 20;
  out[SEEN] = (volts / cells - y[SEEN]) / 0.4;
  double toCase = (y[WINDING] - y[CASE]) / wc;
  out[WINDING] = (winding - toCase) / wJ;
  out[CASE] = (toCase - (y[CASE] - air) / cAir) / cJ;
  out[ESC] = (esc + own - (y[ESC] - air) / eAir) / eJ;
  double packHeat = amps * amps * cellsOhm + y[SLOW] * y[SLOW] / (cellOhm * 0.45);
  out[PACK] = (packHeat - (y[PACK] - air) / packAir) / packJ;
}

int main(void) {
  double *in[] = {&K, &R, &L, &I0, &pairs, &rotor, &Rb, &tsw, &cells, &packOhm, &leadOhm, &capacity, &charge0, &mass,
                  &radius, &drive, &share, &grip, &rolling, &area, &wheelJ, &eta, &corner, &wJ, &cJ, &eJ, &wc, &cAir,
                  &eAir, &driveHz, &brakeHz, &advanceRad, &ramp, &air, &packJ, &packAir, &own};
  for (unsigned n = 0; n < sizeof in / sizeof *in; n++) if (scanf("%lf", in[n]) != 1) return 1;
  for (int n = 0; n < 21; n++) if (scanf("%lf", &ocv[n]) != 1) return 1;
  int pieces;
  if (scanf("%d", &pieces) != 1 || pieces > 64) return 1;
  double seconds[64], value[64];
  int braking[64];
  for (int n = 0; n < pieces; n++) if (scanf("%d %lf %lf", &braking[n], &value[n], &seconds[n]) != 3) return 1;
  double best = 1e9, y[SIZE];
  for (int repeat = 0; repeat < 9; repeat++) {
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    double t = 0, duty = 0, h = 0.001, middle[SIZE], rate[SIZE];
    for (int n = 0; n < SIZE; n++) y[n] = 0;
    y[WINDING] = y[CASE] = 50, y[ESC] = y[PACK] = air, y[SEEN] = openCircuit(charge0), leastCell = 1e9;
    for (int piece = 0; t < 600 - 1e-9; piece = (piece + 1) % pieces) {
      if (braking[piece] || value[piece] <= 0) duty = 0;
      else if (value[piece] < duty) duty = value[piece];
      for (double end = fmin(600, t + seconds[piece]); t < end - 1e-9; t += h) {
        double now = braking[piece] ? value[piece] : fmin(value[piece], duty + ramp * h / 2);
        rates(y, braking[piece], now, rate);
        for (int n = 0; n < SIZE; n++) middle[n] = y[n] + h / 2 * rate[n];
        double slip = y[TYRE] - y[SPEED];
        rates(middle, braking[piece], now, rate);
        for (int n = 0; n < SIZE; n++) y[n] += h * rate[n];
        if (slip * (y[TYRE] - y[SPEED]) < 0) y[TYRE] = y[SPEED];
        if (y[SPEED] < 0) y[SPEED] = 0;
        if (y[TYRE] < 0) y[TYRE] = 0;
        if (!braking[piece]) duty = fmin(value[piece], duty + ramp * h);
      }
    }
    clock_gettime(CLOCK_MONOTONIC, &to);
    double ms = (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6;
    if (ms < best) best = ms;
  }
  printf("{\"ms\": %.3f, \"usedMah\": %.4f, \"lowestCell\": %.5f, \"winding\": %.4f, \"esc\": %.4f, \"distance\": %.3f}\n", best,
         y[DRAWN] / 3.6, leastCell, y[WINDING], y[ESC], y[DISTANCE]);
  return 0;
}
