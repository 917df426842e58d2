/*
 * Broken played files and event streams, by the hundred thousand: whatever comes, the reader refuses it in words or what it takes plays; under
 * the sanitizers nothing is read or written out of bounds.   fuzz-sound TIMES SEED FILE...
 */
#define NODULUM_IMPLEMENTATION
#include "nodulum.h"

#ifndef NODULUM_LIBFUZZER
#include <stdio.h>
#endif
#include <stdlib.h>

/* xorshift64* (Vigna 2016): the same run for the same seed, everywhere. */
static uint64_t next_of(uint64_t *seed) {
  *seed ^= *seed >> 12;
  *seed ^= *seed << 25;
  *seed ^= *seed >> 27;
  return *seed * 2685821657736338717u;
}
static size_t below(uint64_t *seed, size_t n) { return n == 0 ? 0 : (size_t)(next_of(seed) % n); }

static void *room_of(size_t size) {
  void *room = malloc(size == 0 ? 1 : size);
  if (room == NULL) exit(3);
  return room;
}

#ifndef NODULUM_LIBFUZZER
/* Breaks a file in a few places: other bytes, odd signs, cut out, doubled, cut off, digits changed. */
static size_t broken(uint64_t *seed, char *bytes, size_t length, size_t room) {
  static const char odd[] = "\"\\{}[],:0-.eEu\x80\xc0\xed\xff";
  size_t times = 1 + below(seed, 3);
  for (; times > 0 && length > 0; times -= 1) {
    size_t at = below(seed, length), n;
    switch (below(seed, 7)) {
      case 0:
        bytes[at] = (char)below(seed, 256);
        break;
      case 1:
        bytes[at] = odd[below(seed, sizeof(odd) - 1)];
        break;
      case 2:
        n = below(seed, 6);
        if (at + n > length) n = length - at;
        memmove(bytes + at, bytes + at + n, length - at - n);
        length -= n;
        break;
      case 3: {
        size_t to = below(seed, length);
        n = below(seed, 60);
        if (at + n > length) n = length - at;
        if (length + n > room) break;
        memmove(bytes + to + n, bytes + to, length - to);
        memmove(bytes + to, bytes + (at >= to ? at + n : at), n);
        length += n;
        break;
      }
      case 4:
        if (below(seed, 8) == 0) length = at;
        break;
      default:
        /* A figure that is another: the likeliest to be taken. */
        for (n = at; n < length && (bytes[n] < '0' || bytes[n] > '9'); n += 1) continue;
        if (n < length) bytes[n] = (char)('0' + (int)below(seed, 10));
        break;
    }
  }
  return length;
}
#endif

static int is_number(double n) { return n - n == 0; }

/* A number that is none, or endless, or far away, or just what the time is, or before it. */
static double odd_number(uint64_t *seed, double time) {
  static const double far[] = {1e12, -1e12, 1e16, -1e16, 1e300, -1e300, 1.7e308, -1.7e308, 0, -0.0, 1e-300};
  double none = 0.0 * (double)below(seed, 1);
  switch (below(seed, 6)) {
    case 0:
      return none / none;
    case 1:
      return 1 / none;
    case 2:
      return -1 / none;
    case 3:
      return time;
    case 4:
      return time - (double)below(seed, 100);
    default:
      return far[below(seed, sizeof(far) / sizeof(far[0]))];
  }
}

static void play(uint64_t *seed, const nodulum_layout *layout) {
  static const double sides[] = {1, 240, 1080, 2400, 20000};
  static const char *const names[] = {"KeyW", "KeyD", "Space", "under-way", "log-open", "helm", "horn", "no such"};
  size_t size = nodulum_place_size(layout), i, ticks;
  void *room = room_of(size), *memory, *copy;
  nodulum_screen s;
  nodulum_view view;
  nodulum_placed *placed;
  nodulum_state *state;
  memset(&s, 0, sizeof(s));
  s.width = sides[below(seed, 5)];
  s.height = sides[below(seed, 5)];
  s.ppi = 30 + (double)below(seed, 1400);
  view.left_handed = (int)below(seed, 2);
  view.player_size = 0.25 + (double)below(seed, 16) / 4;
  placed = nodulum_place(layout, &s, &view, room, size);
  if (placed == NULL) exit(4);
  size = nodulum_state_size(placed);
  memory = room_of(size);
  copy = room_of(size);
  state = nodulum_begin(placed, NULL, memory, size);
  for (ticks = 1; ticks < 12; ticks += 1) {
    nodulum_event events[8];
    double pad[80], before = nodulum_time(state);
    /* Times as games get them wrong: back, the same once more, none at all, far away. */
    double tick = below(seed, 4) != 0 ? (double)ticks * 16 : odd_number(seed, before);
    int faults = nodulum_time_faults(state), is_later = tick > before && tick <= 1e15, told;
    size_t n = below(seed, 8);
    for (i = 0; i < 80; i += 1) pad[i] = (double)below(seed, 5) - 2;
    for (i = 0; i < n; i += 1) {
      nodulum_event *e = &events[i];
      memset(e, 0, sizeof(*e));
      e->type = (int)below(seed, 15) - 1;
      e->t = below(seed, 6) == 0 ? odd_number(seed, before) : (double)ticks * 16 - 8;
      e->id = (int64_t)below(seed, 40);
      if (below(seed, 4) == 0) e->id = (int64_t)(next_of(seed) >> below(seed, 64)) - (int64_t)below(seed, 2);
      e->x = below(seed, 50) == 0 ? odd_number(seed, before) : (double)below(seed, 3000) - 100;
      e->y = below(seed, 50) == 0 ? odd_number(seed, before) : (double)below(seed, 2000) - 100;
      e->button = (int)below(seed, 40) - 2;
      e->on = (int)below(seed, 2);
      e->name = below(seed, 9) == 0 ? NULL : names[below(seed, 8)];
      e->buttons = e->axes = pad;
      e->button_count = (int)below(seed, 80);
      e->axis_count = (int)below(seed, 80);
    }
    /* A copy of a state goes on as the state itself does, to the byte. */
    memcpy(copy, memory, size);
    told = nodulum_advance(placed, state, events, n, tick);
    (void)nodulum_advance(placed, (nodulum_state *)copy, events, n, tick);
    if (memcmp(copy, memory, size) != 0) exit(9);
    /* Time never goes back, and what was not later is told and counted. */
    if (nodulum_time(state) != (is_later ? tick : before)) exit(10);
    if ((told == NODULUM_TIME_NOT_LATER) == is_later || nodulum_time_faults(state) != faults + !is_later) exit(11);
    for (i = 0; i < (size_t)nodulum_action_count(layout); i += 1) {
      double x, y;
      nodulum_value_vector(state, (int)i, &x, &y);
      if (!is_number(x + y)) exit(5);
    }
    for (i = 0; i < (size_t)nodulum_control_count(placed); i += 1) {
      nodulum_look look;
      nodulum_control control;
      if (!nodulum_look_at(placed, state, (int)i, &look) || !nodulum_control_at(placed, (int)i, &control)) exit(6);
      if (!is_number(look.base_x + look.base_y + look.knob_x + look.knob_y + look.opacity)) exit(12);
    }
  }
  free(copy);
  free(memory);
  free(room);
}

#ifdef NODULUM_LIBFUZZER
/* The same for libFuzzer, which breaks the files itself. */
int LLVMFuzzerTestOneInput(const uint8_t *data, size_t length);
int LLVMFuzzerTestOneInput(const uint8_t *data, size_t length) {
  uint64_t seed = 88172645463325252u + length;
  const char *json = (const char *)(const void *)data;
  size_t size = nodulum_measure(json, length);
  void *memory = room_of(size);
  nodulum_layout *layout = nodulum_read(json, length, memory, size, NULL);
  if (layout != NULL) play(&seed, layout);
  free(memory);
  return 0;
}
#else
int main(int count, char **words) {
  uint64_t seed = count > 2 ? strtoull(words[2], NULL, 10) * 2654435761u + 88172645463325252u : 1;
  unsigned long times = count > 1 ? strtoul(words[1], NULL, 10) : 0, i, taken = 0;
  if (count < 4) return 2;
  for (i = 0; i < times; i += 1) {
    FILE *file = fopen(words[3 + i % (unsigned long)(count - 3)], "rb");
    long length;
    size_t n, size;
    char *bytes;
    char *whole;
    void *memory;
    nodulum_error error;
    nodulum_layout *layout;
    if (file == NULL || fseek(file, 0, SEEK_END) != 0 || (length = ftell(file)) < 0 || fseek(file, 0, SEEK_SET) != 0) return 2;
    bytes = (char *)room_of((size_t)length + 256);
    if (fread(bytes, 1, (size_t)length, file) != (size_t)length) return 2;
    fclose(file);
    n = broken(&seed, bytes, (size_t)length, (size_t)length + 256);
    /* In a block of just its size, so that one byte too many is seen. */
    whole = (char *)room_of(n);
    memcpy(whole, bytes, n);
    free(bytes);
    size = nodulum_measure(whole, n);
    memory = room_of(size);
    layout = nodulum_read(whole, n, memory, size, &error);
    if (layout == NULL && strncmp(error.message, "there is too little memory", 26) == 0) return 7;
    if (layout == NULL && error.message[0] == 0) return 8;
    free(whole);
    if (layout != NULL) {
      taken += 1;
      play(&seed, layout);
    }
    free(memory);
  }
  printf("%lu of %lu taken\n", taken, times);
  return 0;
}
#endif
