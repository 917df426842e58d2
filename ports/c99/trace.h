/*
 * Events of traces and takes as nodulum.h takes them: one JSON object each. Include it after nodulum.h with its implementation, whose JSON
 * reader it uses; a game that makes its own events needs nothing of it.
 */
#ifndef NODULUM_TRACE_H
#define NODULUM_TRACE_H

/* One line of a trace, read into an event; what it points to lives until the line is used anew. */
typedef struct trace_line {
  char name[1100];
  double buttons[64], axes[64];
} trace_line;

static double trace_number(const nd_reader *r, const nd_entry *e) { return nd_decimal(r->s + e->value, e->end - e->value); }

static int trace_numbers(const nd_reader *r, size_t list, double *to) {
  size_t cursor = 0;
  nd_entry item;
  int n = 0;
  while (n < 64 && nd_next(r, list, &cursor, &item)) to[n++] = trace_number(r, &item);
  return n;
}

static int trace_event(const char *text, size_t length, nodulum_event *e, trace_line *line) {
  static const char *const words[] = {"down", "move", "up", "cancel", "key", "mouse", "?", "pad", "moment", "control", "off", "on", "blur"};
  nd_reader r;
  size_t cursor = 0, at = 0;
  nd_entry f;
  memset(e, 0, sizeof(*e));
  e->type = -1;
  nd_open(&r, text, length, NULL, 0);
  nd_space(&r, &at, length);
  if (r.fault != NULL || at >= length || !nd_is_object(&r, at)) return 0;
  while (nd_next(&r, at, &cursor, &f)) {
    int i, is_text = nd_is_string(&r, f.value);
    if (nd_says(&r, f.key, "t")) e->t = trace_number(&r, &f);
    else if (nd_says(&r, f.key, "type"))
      for (i = 0; i < 13; i += 1) e->type = nd_says(&r, f.value, words[i]) ? i : e->type;
    else if (nd_says(&r, f.key, "id") && !is_text) {
      double id = trace_number(&r, &f);
      /* Traces have ids of 32 bits. */
      e->id = id >= INT32_MIN && id <= INT32_MAX ? (int64_t)id : 0;
    }
    else if (nd_says(&r, f.key, "x") || nd_says(&r, f.key, "dx")) e->x = trace_number(&r, &f);
    else if (nd_says(&r, f.key, "y") || nd_says(&r, f.key, "dy")) e->y = trace_number(&r, &f);
    else if (nd_says(&r, f.key, "down") || nd_says(&r, f.key, "shown")) e->on = r.s[f.value] == 't';
    else if (nd_says(&r, f.key, "button")) e->button = (int)trace_number(&r, &f);
    else if (nd_says(&r, f.key, "buttons")) e->button_count = trace_numbers(&r, f.value, line->buttons);
    else if (nd_says(&r, f.key, "axes")) e->axis_count = trace_numbers(&r, f.value, line->axes);
    else if (is_text) {
      uint32_t c;
      size_t p = f.value + 1;
      line->name[0] = 0;
      while (nd_letter(&r, &p, &c)) {
        char letter[2] = {0, 0};
        letter[0] = c < 128 ? (char)c : '?';
        nd_append(line->name, sizeof(line->name), letter);
      }
      e->name = line->name;
    }
    if (nd_says(&r, f.key, "dx")) e->type = NODULUM_MOUSE_MOVED;
  }
  if (e->type == NODULUM_MOUSE) {
    cursor = 0;
    while (nd_next(&r, at, &cursor, &f))
      if (nd_says(&r, f.key, "dx")) e->type = NODULUM_MOUSE_MOVED;
  }
  e->buttons = line->buttons;
  e->axes = line->axes;
  return e->type >= 0;
}

#endif
