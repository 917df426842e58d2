/*
 * nodulum-replay: what `npx nodulum resolve` and `replay` print, worked out by nodulum.h; by it the port is held to the conformance cases.
 *
 *   nodulum-replay resolve PLAYED --screen WxH@PPI[+l,t,r,b] [--moment M] [--handed left] [--player-size P]
 *   nodulum-replay replay  PLAYED --screen S --trace T.ndjson [--hz H] [--moment M] [--handed left] [--player-size P]
 *   with --turn-at MS --to S2 [--to-handed left] a replay goes on on another screen, or for the other hand, after the first tick at or after that time
 *   nodulum-replay calls   many of these from standard input, one a line, its words with tabs between; after each call a line of
 *                          ASCII 30 and its exit code on standard output, and of ASCII 30 on standard error
 *
 * Exit 0 done; 2 the call or a file is at fault, told on standard error. It reads traces with the header's own JSON reader.
 */
#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include "trace.h"

#include <stdio.h>
#include <stdlib.h>

typedef struct options {
  const char *command, *file, *screen, *trace, *moment, *to;
  double hz, player_size, turn_at;
  int left_handed, to_left_handed;
} options;

static int fault(const char *where, const char *what) {
  fprintf(stderr, "nodulum-replay: %s: %s\n", where, what);
  return 2;
}

/* The whole of a file; NULL where it cannot be read. */
static char *file_of(const char *path, size_t *length) {
  FILE *file = fopen(path, "rb");
  char *bytes = NULL;
  long size;
  if (file == NULL) return NULL;
  if (fseek(file, 0, SEEK_END) == 0 && (size = ftell(file)) >= 0 && fseek(file, 0, SEEK_SET) == 0) {
    bytes = (char *)malloc((size_t)size + 1);
    *length = (size_t)size;
    if (bytes != NULL && fread(bytes, 1, (size_t)size, file) != (size_t)size) {
      free(bytes);
      bytes = NULL;
    }
  }
  fclose(file);
  return bytes;
}

static void print_text(const char *text) {
  const unsigned char *t = (const unsigned char *)text;
  putchar('"');
  for (; *t != 0; t += 1) {
    if (*t == '"' || *t == '\\') printf("\\%c", *t);
    else if (*t < 32 || *t == 127) printf("\\u%04x", *t);
    else putchar(*t);
  }
  putchar('"');
}

static void print_box(nodulum_box b) { printf("\"x\":%.17g,\"y\":%.17g,\"w\":%.17g,\"h\":%.17g", b.x, b.y, b.w, b.h); }

static int screen_of(const char *text, nodulum_screen *s) {
  char end;
  memset(s, 0, sizeof(*s));
  if (sscanf(text, "%lfx%lf@%lf+%lf,%lf,%lf,%lf%c", &s->width, &s->height, &s->ppi, &s->left, &s->top, &s->right, &s->bottom, &end) == 7) return 1;
  memset(s, 0, sizeof(*s));
  return sscanf(text, "%lfx%lf@%lf%c", &s->width, &s->height, &s->ppi, &end) == 3;
}

static int resolve(const nodulum_placed *placed, const nodulum_screen *s, const options *o) {
  static const char *const shapes[] = {"ellipse", "box", "capsule"};
  const char *id;
  nodulum_box box;
  double k;
  int i, first;
  nodulum_control c;
  printf("{\"screen\":{\"name\":");
  print_text(o->screen);
  printf(",\"widthPx\":%.17g,\"heightPx\":%.17g,\"ppi\":%.17g,\"insets\":{\"left\":%.17g,\"top\":%.17g,\"right\":%.17g,\"bottom\":%.17g}", s->width, s->height, s->ppi, s->left,
         s->top, s->right, s->bottom);
  printf(",\"cornerPx\":0,\"cutouts\":[],\"edges\":{\"left\":0,\"top\":0,\"right\":0,\"bottom\":0}},\"arrangement\":");
  if (nodulum_arrangement(placed) == NULL) printf("null");
  else print_text(nodulum_arrangement(placed));
  printf(",\"scale\":%.17g,\"clusters\":{", nodulum_scale(placed));
  for (i = 0; nodulum_cluster_at(placed, i, &id, &box, &k); i += 1) {
    if (i > 0) putchar(',');
    print_text(id);
    printf(":{");
    print_box(box);
    printf(",\"k\":%.17g}", k);
  }
  printf("},\"controls\":[");
  for (i = 0, first = 1; nodulum_control_at(placed, i, &c); i += 1) {
    if (!nodulum_control_in(placed, i, o->moment)) continue;
    printf(first ? "{\"id\":" : ",{\"id\":");
    first = 0;
    print_text(c.id);
    printf(",\"visual\":{");
    print_box(c.visual);
    printf("},\"k\":%.17g,\"hit\":{\"shape\":\"%s\",", c.k, shapes[c.shape]);
    print_box(c.hit);
    putchar('}');
    if (c.travel >= 0) printf(",\"travel\":%.17g", c.travel);
    if (placed->controls[i].has_landing) {
      printf(",\"landing\":{");
      print_box(c.landing);
      putchar('}');
    }
    putchar('}');
  }
  printf("],\"keepClear\":[");
  for (i = 0, first = 1; nodulum_zone_at(placed, i, &id, &box); i += 1) {
    if (!nodulum_zone_in(placed, i, o->moment)) continue;
    printf(first ? "{\"id\":" : ",{\"id\":");
    first = 0;
    print_text(id);
    putchar(',');
    print_box(box);
    putchar('}');
  }
  printf("]}\n");
  return 0;
}

static void print_values(const nodulum_layout *layout, const nodulum_state *state, double t) {
  int i;
  printf("{\"t\":%.17g,\"values\":{", t);
  for (i = 0; i < nodulum_action_count(layout); i += 1) {
    double x, y;
    if (i > 0) putchar(',');
    print_text(nodulum_action_name(layout, i));
    nodulum_value_vector(state, i, &x, &y);
    switch (nodulum_action_kind(layout, i)) {
      case NODULUM_PRESS:
        printf(nodulum_value_press(state, i) ? ":true" : ":false");
        break;
      case NODULUM_AXIS:
      case NODULUM_DELTA:
        printf(":%.17g", nodulum_value_axis(state, i));
        break;
      default:
        printf(":[%.17g,%.17g]", x, y);
        break;
    }
  }
  printf("}}\n");
}

/* Plays a trace tick by tick: up to the first tick at or after the last event, plus one; two where there are none. */
static int replay(const nodulum_layout *layout, const nodulum_placed *placed, const options *o) {
  size_t length = 0, at = 0, size = nodulum_state_size(placed);
  char *trace = file_of(o->trace, &length);
  void *memory = malloc(size);
  nodulum_state *state = memory == NULL ? NULL : nodulum_begin(placed, o->moment, memory, size);
  nodulum_event event;
  trace_line line;
  int n, has_next = 0, closing = 0, code = 0, has_turned = 0;
  double end = 0;
  void *room = NULL, *elsewhere = NULL;
  if (trace == NULL) code = fault(o->trace, "there is no such file");
  else if (state == NULL) code = fault("--moment", "there is no such moment");
#define NEXT() \
  do { \
    has_next = 0; \
    while (!has_next && at < length) { \
      size_t from = at; \
      while (at < length && trace[at] != '\n') at += 1; \
      if (at > from) { \
        if (!trace_event(trace + from, at - from, &event, &line)) code = fault(o->trace, "a line is no event"); \
        has_next = code == 0; \
      } \
      at += 1; \
      if (code != 0) break; \
    } \
  } while (0)
  if (code == 0) NEXT();
  for (n = 1; code == 0; n += 1) {
    double t = n * 1000 / o->hz;
    /* Events are taken one by one, all of them before the tick's own step. */
    nd_work w;
    w.p = placed;
    w.s = state;
    nd_parts_of(&w.at, placed, state);
    while (code == 0 && has_next && event.t <= t + ND_TIME_SLACK) {
      if (!nd_take_event(&w, &event, t)) code = fault(o->trace, "an event is refused");
      end = event.t;
      if (code == 0) NEXT();
    }
    if (code != 0) break;
    nodulum_advance(placed, state, NULL, 0, t);
    print_values(layout, state, t);
    if (closing) break;
    if (o->to != NULL && !has_turned && t >= o->turn_at) {
      nodulum_screen screen;
      nodulum_view view;
      nodulum_placed *there;
      nodulum_state *after;
      has_turned = 1;
      view.left_handed = o->to_left_handed;
      view.player_size = o->player_size;
      room = malloc(nodulum_place_size(layout));
      there = room != NULL && screen_of(o->to, &screen) ? nodulum_place(layout, &screen, &view, room, nodulum_place_size(layout)) : NULL;
      elsewhere = there == NULL ? NULL : malloc(nodulum_state_size(there));
      after = elsewhere == NULL ? NULL : nodulum_begin(there, NULL, elsewhere, nodulum_state_size(there));
      if (after == NULL || !nodulum_carry(placed, state, there, after)) code = fault("--to", "cannot be gone on with");
      placed = there;
      state = after;
    }
    closing = !has_next && t >= end - ND_TIME_SLACK;
  }
#undef NEXT
  free(room);
  free(elsewhere);
  free(trace);
  free(memory);
  return code;
}

static int options_of(int count, char **words, options *o) {
  int i;
  memset(o, 0, sizeof(*o));
  o->hz = 60;
  o->player_size = 1;
  if (count < 3) return fault("usage", "nodulum-replay resolve|replay PLAYED --screen S [--trace T] [--hz H] [--moment M] [--handed left] [--player-size P]");
  o->command = words[1];
  o->file = words[2];
  for (i = 3; i + 1 < count; i += 2) {
    const char *name = words[i], *value = words[i + 1];
    if (strcmp(name, "--screen") == 0) o->screen = value;
    else if (strcmp(name, "--trace") == 0) o->trace = value;
    else if (strcmp(name, "--moment") == 0) o->moment = value;
    else if (strcmp(name, "--hz") == 0) o->hz = atof(value);
    else if (strcmp(name, "--player-size") == 0) o->player_size = atof(value);
    else if (strcmp(name, "--to") == 0) o->to = value;
    else if (strcmp(name, "--turn-at") == 0) o->turn_at = atof(value);
    else if (strcmp(name, "--to-handed") == 0) o->to_left_handed = strcmp(value, "left") == 0;
    else if (strcmp(name, "--handed") == 0) o->left_handed = strcmp(value, "left") == 0;
    else return fault(name, "is no option");
  }
  if (i < count) return fault(words[i], "wants a value");
  if (o->screen == NULL) return fault("--screen", "name the screen: WIDTHxHEIGHT@PPI[+left,top,right,bottom]");
  if (!(o->hz >= 1 && o->hz <= 1000)) return fault("--hz", "is not a rate from 1 to 1000");
  if (!(o->player_size >= 0.25 && o->player_size <= 4)) return fault("--player-size", "is not a number from 0.25 to 4");
  return 0;
}

static int call(int count, char **words) {
  options o;
  nodulum_screen screen;
  nodulum_view view;
  nodulum_error error;
  nodulum_layout *layout;
  nodulum_placed *placed;
  size_t length = 0, size;
  char *json;
  void *memory, *room;
  int code = options_of(count, words, &o);
  if (code != 0) return code;
  if (!screen_of(o.screen, &screen)) return fault("--screen", "is not a screen; write WIDTHxHEIGHT@PPI[+left,top,right,bottom]");
  json = file_of(o.file, &length);
  if (json == NULL) return fault(o.file, "there is no such file");
  size = nodulum_measure(json, length);
  memory = malloc(size);
  layout = memory == NULL ? NULL : nodulum_read(json, length, memory, size, &error);
  free(json);
  if (layout == NULL) {
    fprintf(stderr, "nodulum-replay: %s: %s%s%s\n", o.file, memory == NULL ? "no memory" : error.path, memory == NULL || error.path[0] == 0 ? "" : ": ", memory == NULL ? "" : error.message);
    free(memory);
    return 2;
  }
  view.left_handed = o.left_handed;
  view.player_size = o.player_size;
  size = nodulum_place_size(layout);
  room = malloc(size);
  placed = room == NULL ? NULL : nodulum_place(layout, &screen, &view, room, size);
  if (placed == NULL) code = fault("--screen", "nothing can be placed on it");
  else if (strcmp(o.command, "resolve") == 0) code = resolve(placed, &screen, &o);
  else if (strcmp(o.command, "replay") != 0) code = fault(o.command, "write resolve or replay");
  else if (o.trace == NULL) code = fault("--trace", "nothing to replay; name the events");
  else code = replay(layout, placed, &o);
  free(room);
  free(memory);
  return code;
}

/* Calls of standard input, one a line. Exit 0 once all were made, however each of them ended. */
static int calls(void) {
  static char line[1 << 14];
  char *words[32];
  while (fgets(line, sizeof(line), stdin) != NULL) {
    int count = 1;
    char *word = strtok(line, "\t\n");
    words[0] = line;
    for (; word != NULL && count < 32; word = strtok(NULL, "\t\n")) words[count++] = word;
    printf("\036%d\n", call(count, words));
    fprintf(stderr, "\036\n");
  }
  return 0;
}

int main(int count, char **words) { return count == 2 && strcmp(words[1], "calls") == 0 ? calls() : call(count, words); }
