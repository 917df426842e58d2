/*
 * A game without pictures: plays a take on a layout in the terminal and draws what every action gives, one line a quarter of a second.
 *
 *   cc -std=c99 -I.. play.c -o play -lm && ./play layout.played.json hand.nodulum-take.json
 *
 * What a game does is in `play`: begin once, advance once a tick with what has happened, read values by the indices of its words.
 */
#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include "trace.h"

#include <stdio.h>
#include <stdlib.h>

static char *file_of(const char *path, size_t *length) {
  FILE *file = fopen(path, "rb");
  long size;
  char *bytes = NULL;
  if (file == NULL) return NULL;
  if (fseek(file, 0, SEEK_END) == 0 && (size = ftell(file)) >= 0 && fseek(file, 0, SEEK_SET) == 0) {
    bytes = (char *)malloc((size_t)size + 1);
    *length = bytes == NULL ? 0 : fread(bytes, 1, (size_t)size, file);
  }
  fclose(file);
  return bytes;
}

/* A value as a needle over -1 to 1. */
static void draw_needle(double value) {
  char scale[] = "----|----";
  int at = (int)(4.5 + 4 * value);
  scale[at < 0 ? 0 : at > 8 ? 8 : at] = 'o';
  printf("%s", scale);
}

static void draw(const nodulum_layout *layout, const nodulum_state *state) {
  int i;
  printf("%6.2f s ", nodulum_time(state) / 1000);
  for (i = 0; i < nodulum_action_count(layout); i += 1) {
    double x, y;
    nodulum_value_vector(state, i, &x, &y);
    printf(" %s ", nodulum_action_name(layout, i));
    switch (nodulum_action_kind(layout, i)) {
      case NODULUM_PRESS:
        printf("%c", nodulum_value_press(state, i) ? '#' : '.');
        break;
      case NODULUM_AXIS:
        draw_needle(x);
        break;
      case NODULUM_VECTOR:
        draw_needle(x);
        printf(" ");
        draw_needle(y);
        break;
      default:
        printf("%+.1f %+.1f", x, y);
        break;
    }
  }
  printf("\n");
}

/* Plays the events of a take; how many ticks were played, or -1. */
static int play(const nodulum_layout *layout, const nodulum_placed *placed, const nd_reader *take, size_t events, double hz, const char *moment) {
  size_t size = nodulum_state_size(placed), cursor = 0;
  void *memory = malloc(size);
  nodulum_state *state = memory == NULL ? NULL : nodulum_begin(placed, moment, memory, size);
  nd_entry entry;
  nodulum_event event;
  trace_line line;
  int n, has_next;
  if (state == NULL) return -1;
  has_next = nd_next(take, events, &cursor, &entry) && trace_event((const char *)take->s + entry.value, entry.end - entry.value, &event, &line);
  for (n = 1; has_next; n += 1) {
    double tick = n * 1000 / hz;
    nodulum_event due[64];
    static trace_line lines[64];
    size_t count = 0;
    while (has_next && count < 64 && event.t <= tick) {
      lines[count] = line;
      due[count] = event;
      /* What an event points to moves with its line. */
      if (event.name != NULL) due[count].name = lines[count].name;
      due[count].buttons = lines[count].buttons;
      due[count].axes = lines[count].axes;
      count += 1;
      has_next = nd_next(take, events, &cursor, &entry) && trace_event((const char *)take->s + entry.value, entry.end - entry.value, &event, &line);
    }
    (void)nodulum_advance(placed, state, due, count, tick);
    if (n % (int)(hz / 4) == 0) draw(layout, state);
  }
  free(memory);
  return n - 1;
}

int main(int count, char **words) {
  size_t length = 0, take_length = 0, at = 0, cursor = 0, within = 0, events = 0;
  char *json = count > 1 ? file_of(words[1], &length) : NULL, *take = count > 2 ? file_of(words[2], &take_length) : NULL;
  char moment[64] = "";
  size_t size;
  void *memory, *room;
  nodulum_error error;
  nodulum_layout *layout;
  nodulum_placed *placed;
  nodulum_screen screen;
  nodulum_view view;
  nd_reader r;
  nd_entry f, side;
  double hz = 60;
  int ticks;
  if (json == NULL || take == NULL) {
    fprintf(stderr, "play PLAYED TAKE\n");
    return 2;
  }
  size = nodulum_measure(json, length);
  memory = malloc(size);
  layout = memory == NULL ? NULL : nodulum_read(json, length, memory, size, &error);
  if (layout == NULL) {
    fprintf(stderr, "%s: %s: %s\n", words[1], memory == NULL ? "" : error.path, memory == NULL ? "no memory" : error.message);
    return 2;
  }
  memset(&screen, 0, sizeof(screen));
  view.left_handed = 0;
  view.player_size = 1;
  nd_open(&r, take, take_length, NULL, 0);
  nd_space(&r, &at, take_length);
  if (r.fault != NULL || at >= take_length || !nd_is_object(&r, at)) {
    fprintf(stderr, "%s: is no take\n", words[2]);
    return 2;
  }
  while (nd_next(&r, at, &cursor, &f)) {
    if (nd_says(&r, f.key, "hz")) hz = trace_number(&r, &f);
    else if (nd_says(&r, f.key, "playerSize")) view.player_size = trace_number(&r, &f);
    else if (nd_says(&r, f.key, "handed")) view.left_handed = nd_says(&r, f.value, "left");
    else if (nd_says(&r, f.key, "events")) events = f.value;
    else if (nd_says(&r, f.key, "moment") && nd_is_string(&r, f.value)) nd_append_string(&r, moment, sizeof(moment), f.value);
    else if (nd_says(&r, f.key, "screen")) {
      within = 0;
      while (nd_next(&r, f.value, &within, &side)) {
        if (nd_says(&r, side.key, "widthPx")) screen.width = trace_number(&r, &side);
        if (nd_says(&r, side.key, "heightPx")) screen.height = trace_number(&r, &side);
        if (nd_says(&r, side.key, "ppi")) screen.ppi = trace_number(&r, &side);
        if (nd_says(&r, side.key, "insets")) {
          size_t inset = 0;
          nd_entry one;
          while (nd_next(&r, side.value, &inset, &one)) {
            if (nd_says(&r, one.key, "left")) screen.left = trace_number(&r, &one);
            if (nd_says(&r, one.key, "top")) screen.top = trace_number(&r, &one);
            if (nd_says(&r, one.key, "right")) screen.right = trace_number(&r, &one);
            if (nd_says(&r, one.key, "bottom")) screen.bottom = trace_number(&r, &one);
          }
        }
      }
    }
  }
  size = nodulum_place_size(layout);
  room = malloc(size);
  placed = room == NULL ? NULL : nodulum_place(layout, &screen, &view, room, size);
  ticks = placed == NULL || events == 0 ? -1 : play(layout, placed, &r, events, hz, moment[0] == 0 ? NULL : moment);
  if (ticks < 0) fprintf(stderr, "%s: cannot be played on this layout\n", words[2]);
  else printf("%d ticks of %s\n", ticks, nodulum_name(layout));
  free(room);
  free(memory);
  free(json);
  free(take);
  return ticks < 0 ? 2 : 0;
}
