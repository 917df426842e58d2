/*
 * How fast the port is: reading, placing, a tick with ten touches that move, and what memory that takes. `speed PLAYED`, JSON out; clock() is
 * the program's own time, so that what else the machine does counts little.
 */
#define NODULUM_IMPLEMENTATION
#include "nodulum.h"

#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double seconds(void) { return (double)clock() / CLOCKS_PER_SEC; }

int main(int count, char **words) {
  FILE *file = count > 1 ? fopen(words[1], "rb") : NULL;
  static char json[1 << 20];
  size_t length = file == NULL ? 0 : fread(json, 1, sizeof(json), file), layout_size, placed_size, state_size;
  void *a, *b, *c;
  nodulum_layout *layout = NULL;
  nodulum_placed *placed = NULL;
  nodulum_state *state;
  nodulum_screen screen;
  nodulum_event events[10];
  double from, read_us, place_us, tick_us, sum = 0, tick = 0;
  int i, n, touches = 0;
  memset(&screen, 0, sizeof(screen));
  screen.width = 2400;
  screen.height = 1080;
  screen.ppi = 411;
  layout_size = nodulum_measure(json, length);
  a = malloc(layout_size);
  if (a == NULL) return 2;
  from = seconds();
  for (n = 0; n < 400; n += 1) layout = nodulum_read(json, length, a, layout_size, NULL);
  read_us = (seconds() - from) / 400 * 1e6;
  if (layout == NULL) return 2;
  placed_size = nodulum_place_size(layout);
  b = malloc(placed_size);
  if (b == NULL) return 2;
  from = seconds();
  for (n = 0; n < 20000; n += 1) placed = nodulum_place(layout, &screen, NULL, b, placed_size);
  place_us = (seconds() - from) / 20000 * 1e6;
  if (placed == NULL) return 2;
  state_size = nodulum_state_size(placed);
  c = malloc(state_size);
  if (c == NULL) return 2;
  state = nodulum_begin(placed, NULL, c, state_size);
  memset(events, 0, sizeof(events));
  for (i = 0; i < 10; i += 1) {
    nodulum_control control;
    if (!nodulum_control_at(placed, i * 3 % nodulum_control_count(placed), &control)) continue;
    events[touches].type = NODULUM_DOWN;
    events[touches].id = i;
    events[touches].x = control.visual.x + control.visual.w / 2;
    events[touches].y = control.visual.y + control.visual.h / 2;
    touches += 1;
  }
  (void)nodulum_advance(placed, state, events, (size_t)touches, tick += 16);
  for (i = 0; i < touches; i += 1) events[i].type = NODULUM_MOVE;
  from = seconds();
  for (n = 0; n < 200000; n += 1) {
    for (i = 0; i < touches; i += 1) {
      events[i].t = tick;
      events[i].x += n % 2 == 0 ? 3 : -3;
    }
    tick += 16;
    (void)nodulum_advance(placed, state, events, (size_t)touches, tick);
    sum += nodulum_value_axis(state, 0);
  }
  tick_us = (seconds() - from) / 200000 * 1e6;
  printf("{\"controls\":%d,\"touches\":%d,\"readUs\":%.1f,\"placeUs\":%.2f,\"tickUs\":%.3f,\"layoutBytes\":%lu,\"placedBytes\":%lu,\"stateBytes\":%lu,\"sum\":%.3g}\n",
         nodulum_control_count(placed), touches, read_us, place_us, tick_us, (unsigned long)layout_size, (unsigned long)placed_size, (unsigned long)state_size, sum);
  return 0;
}
