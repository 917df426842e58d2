/*
 * nodulum.h: plays touch layouts in any game that can call C.
 *
 * One header, C99 (and clean as C++17), no dependency but the C library, and of that no input or output, no malloc, no locale, no global
 * that changes, no clock. MIT licence, see LICENSE.
 *
 *   #define NODULUM_IMPLEMENTATION      in exactly one file, before it is included
 *   #define NODULUM_NONE                for builds without touch: the same calls, resting values, no code
 *
 * It uses math.h: link the mathematics library where it is a library of its own (-lm on Linux, Android, the BSDs; nothing on Windows and macOS).
 *
 * The order of work: read a played file once, place it on the screen (anew when the screen, the hand or the player's size changes), begin a
 * state, and advance it once a tick with what has happened since the last one. Memory is the caller's, at every step: ask how much is wanted,
 * hand it in. Whatever is handed out points into that memory and lives as long as it does. The block of a state is bytes without pointers: it
 * can be copied, saved and compared, and goes on wherever the same layout is placed the same way.
 *
 * Lengths are px of the screen, y down from the top left corner; times are ms; values of actions are x right, y up.
 */
#ifndef NODULUM_H
#define NODULUM_H

#include <stddef.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/* What stands before every call: for a shared library, what makes it visible there. */
#ifndef NODULUM_API
#define NODULUM_API
#endif

/* Touches that can be down at once; those beyond are passed over until one lifts. */
#define NODULUM_TOUCHES 32
/* Points a swipe with a time limit remembers; where more than so many come within its time, the oldest are forgotten. */
#define NODULUM_PATH 256
/* Bytes of a word or an icon's name that nodulum_give keeps; a longer one is cut between two characters. */
#define NODULUM_WORD 95

typedef struct nodulum_layout nodulum_layout;
typedef struct nodulum_placed nodulum_placed;
typedef struct nodulum_state nodulum_state;

/* Why a file is not taken. `path`: where, as `controls[3].feel.inner`, or `byte 17` for the JSON itself; `position`: the byte. */
typedef struct nodulum_error {
  char path[192];
  char message[192];
  size_t position;
} nodulum_error;

/* A screen. Sides and insets in px, above 0 and 0 or more; `ppi` px an inch, above 0. */
typedef struct nodulum_screen {
  double width, height, ppi;
  double left, top, right, bottom;
} nodulum_screen;

/* The player: `left_handed` 0 or 1; `player_size` 1 is as laid out, kept within the layout's own sizes only by who asks the player. */
typedef struct nodulum_view {
  int left_handed;
  double player_size;
} nodulum_view;

typedef struct nodulum_box {
  double x, y, w, h;
} nodulum_box;

enum { NODULUM_STICK, NODULUM_DPAD, NODULUM_BUTTON, NODULUM_TOUCHPAD, NODULUM_SWIPE, NODULUM_DIAL };
enum { NODULUM_PRESS, NODULUM_AXIS, NODULUM_VECTOR, NODULUM_MOTION, NODULUM_DELTA };
enum { NODULUM_ELLIPSE, NODULUM_RECTANGLE, NODULUM_CAPSULE };

/* What can happen. */
enum {
  NODULUM_DOWN,    /* id, x, y: a touch comes down (one that is down already is cancelled first) */
  NODULUM_MOVE,    /* id, x, y */
  NODULUM_UP,      /* id, x, y: where it lifts; another point than the last is first a move there */
  NODULUM_CANCEL,  /* id: it is taken away, and fires nothing */
  NODULUM_KEY,     /* name: a KeyboardEvent.code; on: 1 down, 0 up */
  NODULUM_MOUSE,   /* button 0 to 31 (PointerEvent.button); on */
  NODULUM_MOUSE_MOVED,  /* x, y: how far the mouse moved, px, y down */
  NODULUM_PAD,     /* buttons 0 to 1, axes -1 to 1, as counted (W3C standard mapping): the pad as it is now */
  NODULUM_MOMENT,  /* name: an id of the layout's moments; NULL: none, every control shown */
  NODULUM_CONTROL, /* name: an id of a control; on: 1 shown, 0 hidden */
  NODULUM_OFF,     /* all touch controls away */
  NODULUM_ON,
  NODULUM_BLUR     /* every touch, key, button and the pad let go, as by cancel */
};

typedef struct nodulum_event {
  int type;
  double t; /* ms, never earlier than the event before, no later than the tick; what lies outside is moved to the nearer end */
  int64_t id; /* any number that tells a touch from the others that are down, such as an SDL_FingerID or a pointer */
  double x, y;
  int button, on;
  const char *name;
  const double *buttons, *axes;
  int button_count, axis_count;
} nodulum_event;

/* A control as it stands. `landing.w` is 0 where it has none of its own; `travel` is -1 but for sticks. */
typedef struct nodulum_control {
  const char *id, *name, *label, *icon;
  int kind, shape;
  nodulum_box visual, hit, landing;
  double k, travel;
} nodulum_control;

/* What letting go of a stick would do that fires by `released` or `aim`. */
enum {
  NODULUM_NO_AIM,     /* it is not held, or nothing is fired by it */
  NODULUM_CALLED_OFF, /* held in the middle: letting go does nothing */
  NODULUM_AIMING      /* letting go fires */
};

/*
 * A control as it is drawn now. `base`, `knob`: the middles of both (alike but for sticks); `turn`: degrees, clockwise, of a dial with its rim and its
 * mark; `aim`: one of the above; `picture`, `knob_picture` (of a dial: its mark): an id of the layout's pictures or NULL.
 */
typedef struct nodulum_look {
  int shown, held, aim;
  /* What nodulum_give was told: `enabled` 1 where nothing was; `cooldown` 0; `word` and `icon` else the layout's own (NULL: no icon). */
  int enabled, has_count, count;
  double cooldown;
  const char *word, *icon;
  double base_x, base_y, knob_x, knob_y;
  double turn, opacity;
  const char *picture, *knob_picture;
} nodulum_look;

/*
 * What the game says of a control for its drawing alone; no value changes by it. `enabled` 0 or 1; `cooldown`: the part of a wait that is left, 0 to
 * 1; `count`: where `has_count`; `word`, `icon`: in place of the layout's, of at most NODULUM_WORD bytes; NULL: the layout's own.
 */
typedef struct nodulum_given {
  int enabled, has_count, count;
  double cooldown;
  const char *word, *icon;
} nodulum_given;

/* Bytes of memory that reading this file wants; enough also where the file turns out to be none. */
NODULUM_API size_t nodulum_measure(const char *json, size_t length);
/* Reads a played file (UTF-8, need not end in NUL, is not needed afterwards). NULL where it is none or `size` is too little; then `error` (may be NULL) says why. `memory` aligned as for malloc. Any bytes at all are safe. */
NODULUM_API nodulum_layout *nodulum_read(const char *json, size_t length, void *memory, size_t size, nodulum_error *error);

/* The layout's name, its digest, and what it holds. */
NODULUM_API const char *nodulum_name(const nodulum_layout *layout);
NODULUM_API const char *nodulum_digest(const nodulum_layout *layout);
NODULUM_API int nodulum_action_count(const nodulum_layout *layout);
/* An action by its index, in the file's order; NULL and -1 beyond. */
NODULUM_API const char *nodulum_action_name(const nodulum_layout *layout, int index);
NODULUM_API int nodulum_action_kind(const nodulum_layout *layout, int index);
/* The index of an action; -1 where the layout has none of that name. */
NODULUM_API int nodulum_action_index(const nodulum_layout *layout, const char *name);
NODULUM_API int nodulum_moment_count(const nodulum_layout *layout);
NODULUM_API const char *nodulum_moment_id(const nodulum_layout *layout, int index);
/* The least and the greatest size that players may choose. */
NODULUM_API void nodulum_player_sizes(const nodulum_layout *layout, double *least, double *greatest);

/* Bytes of memory that placing wants, on any screen. */
NODULUM_API size_t nodulum_place_size(const nodulum_layout *layout);
/* Places a layout on a screen. NULL where `size` is too little, or a side of the screen or its ppi is not above 0. The layout must outlive it. */
NODULUM_API nodulum_placed *nodulum_place(const nodulum_layout *layout, const nodulum_screen *screen, const nodulum_view *view, void *memory, size_t size);
/* px a layout unit; the id of the arrangement in use, or NULL. */
NODULUM_API double nodulum_scale(const nodulum_placed *placed);
NODULUM_API const char *nodulum_arrangement(const nodulum_placed *placed);
/* The controls that this screen has, in drawing order, later on top. 0 beyond the last. */
NODULUM_API int nodulum_control_count(const nodulum_placed *placed);
NODULUM_API int nodulum_control_at(const nodulum_placed *placed, int index, nodulum_control *out);
/* Whether a control is shown in a moment (NULL: any). */
NODULUM_API int nodulum_control_in(const nodulum_placed *placed, int index, const char *moment);
/* Clusters and keep-clear zones that this screen has. 0 beyond the last. `k`: the factor of what stands in a cluster. */
NODULUM_API int nodulum_cluster_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box, double *k);
NODULUM_API int nodulum_zone_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box);
NODULUM_API int nodulum_zone_in(const nodulum_placed *placed, int index, const char *moment);

/* Bytes of a state. */
NODULUM_API size_t nodulum_state_size(const nodulum_placed *placed);
/* A state before the first tick: nothing touched, in a moment (NULL: none). NULL where `size` is too little or the moment is none of the layout's. */
NODULUM_API nodulum_state *nodulum_begin(const nodulum_placed *placed, const char *moment, void *memory, size_t size);
/*
 * Goes on with a state on another placing: the screen has turned or unfolded, the player has changed hand or size, or the layout is another. `after` was
 * begun on `to`, and is written over: what is held stays held, latches, levers and dials stay, keys and the pad, values on their way, the moment (none,
 * where the layout has no such), and what the game said of its controls. Controls and actions are known by their names and kinds. 0, and nothing is
 * done, where a state is of another placing than is said.
 */
NODULUM_API int nodulum_carry(const nodulum_placed *from, const nodulum_state *before, const nodulum_placed *to, nodulum_state *after);
/* What nodulum_advance returns instead of a count. */
enum {
  NODULUM_OTHER_PLACING = -1, /* the state was begun on another layout, screen or player: nothing was done; begin a state on this placing */
  NODULUM_TIME_NOT_LATER = -2 /* the tick is not later than the last one: it was played at the time of the last one, and counted */
};
/*
 * One tick at `tick_ms`, later than the last (the first: later than 0): takes the events in order and computes every value. Returns how many
 * events were refused (a type or a name that is none, a figure that is not finite), or one of the codes above. Time never goes back: a tick at the
 * time of the last one or before it, or at no finite time up to 1e15, takes its events, lets no time pass, and is counted by nodulum_time_faults.
 */
NODULUM_API int nodulum_advance(const nodulum_placed *placed, nodulum_state *state, const nodulum_event *events, size_t count, double tick_ms);

/* What an action gives since the last tick, by its index; resting values beyond the last, and by the wrong kind. */
NODULUM_API int nodulum_value_press(const nodulum_state *state, int index);
NODULUM_API double nodulum_value_axis(const nodulum_state *state, int index);
NODULUM_API void nodulum_value_vector(const nodulum_state *state, int index, double *x, double *y);
NODULUM_API void nodulum_value_motion(const nodulum_state *state, int index, double *x, double *y);
NODULUM_API double nodulum_value_delta(const nodulum_state *state, int index);
/* Whether a press began, or ended, at the last tick. */
NODULUM_API int nodulum_just_pressed(const nodulum_state *state, int index);
NODULUM_API int nodulum_just_released(const nodulum_state *state, int index);
/* The topmost control that a touch at this point would go to now, -1 for none: the touch is the game's then, for its camera and its menus. */
NODULUM_API int nodulum_takes(const nodulum_placed *placed, const nodulum_state *state, double x, double y);
/* The time of the last tick; how many ticks were not later than the one before; the moment, NULL for none. */
NODULUM_API double nodulum_time(const nodulum_state *state);
NODULUM_API int nodulum_time_faults(const nodulum_state *state);
NODULUM_API const char *nodulum_moment(const nodulum_placed *placed, const nodulum_state *state);
/* Says of a control what its drawing shows, until it is said anew (NULL: nothing). The words are copied. 0 beyond the last, and for a state of another placing. */
NODULUM_API int nodulum_give(const nodulum_placed *placed, nodulum_state *state, int index, const nodulum_given *given);
/* How a control is drawn now: faded, gliding home, held. 0 beyond the last, and for a state of another placing. */
NODULUM_API int nodulum_look_at(const nodulum_placed *placed, const nodulum_state *state, int index, nodulum_look *out);

/*
 * The same in fewer calls, with memory by your own functions. What is not here is reached by nodulum_layout_of, nodulum_placed_of and nodulum_state_of,
 * and the calls above. Times are ms from any zero of yours; events come in order, and count at the next step.
 */
typedef struct nodulum_game nodulum_game;
/* Where memory comes from and goes to, aligned as malloc does it; `own` is handed through. `take` gives NULL where there is none. */
typedef struct nodulum_allocator {
  void *(*take)(size_t bytes, void *own);
  void (*give)(void *memory, void *own);
  void *own;
} nodulum_allocator;
/* Reads a played file, places it and begins in its first moment (where it has moments). NULL where that cannot be; `error` (may be NULL) says why. */
NODULUM_API nodulum_game *nodulum_open(const char *json, size_t length, const nodulum_screen *screen, const nodulum_view *view, const nodulum_allocator *allocator, nodulum_error *error);
NODULUM_API void nodulum_close(nodulum_game *game);
/* The screen has turned, or the player has changed hand or size: what is held goes on. 0 where there is no memory or no such screen; then all is as before. */
NODULUM_API int nodulum_turn(nodulum_game *game, const nodulum_screen *screen, const nodulum_view *view);
/* NODULUM_DOWN, NODULUM_MOVE, NODULUM_UP or NODULUM_CANCEL of a touch. This and those below: 0 where the event is refused. */
NODULUM_API int nodulum_touch(nodulum_game *game, int type, double t, int64_t id, double x, double y);
NODULUM_API int nodulum_key(nodulum_game *game, double t, const char *code, int on);
NODULUM_API int nodulum_pad(nodulum_game *game, double t, const double *buttons, int button_count, const double *axes, int axis_count);
NODULUM_API int nodulum_enter(nodulum_game *game, double t, const char *moment);
/* One tick; what it returns, nodulum_advance does. */
NODULUM_API int nodulum_step(nodulum_game *game, double t);
/* What an action gives, by its name; resting values where there is none of that name and kind. */
NODULUM_API int nodulum_press(const nodulum_game *game, const char *action);
NODULUM_API double nodulum_axis(const nodulum_game *game, const char *action);
NODULUM_API void nodulum_vector(const nodulum_game *game, const char *action, double *x, double *y);
NODULUM_API void nodulum_motion(const nodulum_game *game, const char *action, double *x, double *y);
NODULUM_API double nodulum_delta(const nodulum_game *game, const char *action);
NODULUM_API const nodulum_layout *nodulum_layout_of(const nodulum_game *game);
NODULUM_API const nodulum_placed *nodulum_placed_of(const nodulum_game *game);
NODULUM_API nodulum_state *nodulum_state_of(nodulum_game *game);

#ifdef __cplusplus
}
#endif

#endif /* NODULUM_H */

#if defined(NODULUM_IMPLEMENTATION) && !defined(NODULUM_IMPLEMENTED)
#define NODULUM_IMPLEMENTED

#include <string.h>

#ifndef NODULUM_NONE

#include <math.h>

/* ---- What a layout is in memory ---------------------------------------------------------------------------------------------------- */

#define ND_NONE ((size_t)-1)
#define ND_PI 3.14159265358979323846
#define ND_LENGTH_SLACK 1e-9
#define ND_ANGLE_SLACK 1e-9
#define ND_TIME_SLACK 1e-6
#define ND_FARTHEST 1e12
#define ND_BIG 1.7976931348623157e308

/* A length: an amount, and its unit by its place in u mm px %w %h %min %max. */
typedef struct nd_len {
  double amount;
  int unit;
  int unused;
} nd_len;

typedef struct nd_list {
  void *items;
  int count;
  int unused;
} nd_list;

enum { ND_PIN, ND_SPAN };
enum { ND_SCREEN, ND_SAFE, ND_PICTURE, ND_CLUSTER };

/* A pin: a its anchor, b its pivot, offset x and y, size w and h. A span: from a to b, insets left, top, right, bottom. */
typedef struct nd_place {
  int kind, frame, has_clamp, has_min, has_max, unused;
  const char *cluster;
  double a[2], b[2];
  nd_len len[4];
  double min_mm, max_mm;
} nd_place;

typedef struct nd_hit {
  int shape, sharing, has_size, unused;
  nd_len size[2], grow, shift[2];
  double min_mm;
} nd_hit;

typedef struct nd_serve {
  int port, has_value, value_two, has_scale, scale_two, has_repeat;
  const char *action;
  double value[2], scale[2];
  double delay_ms, interval_ms, rest_ms;
} nd_serve;

typedef struct nd_control {
  const char *id, *name, *label, *icon;
  size_t id_at;
  int kind, has_landing;
  nd_list moments;
  nd_place place;
  nd_hit hit;
  nd_list serves;
  /* look */
  double rest_opacity, held_opacity, away_opacity, away_after_ms, away_fade_ms, home_after_ms, return_ms;
  int has_away, has_art, home, hide_at_rest;
  const char *art_rest, *art_held, *art_knob;
  /* feel, of whichever kind */
  int word[4], stays, aims;
  nd_len travel;
  nd_place *landing;
  double inner, outer, press_at, release_at, hold_deg, directions;
  double long_ms, within_ms, buzz_ms, neutral, diagonal, gain, distance_mm, range_deg, tap_ms, tap_mm;
  int curve, unused;
  double curve_at[4];
} nd_control;
/* Which word of a feel stands where in `word`. */
enum { ND_ORIGIN = 0, ND_START = 1, ND_DEAD_ZONE = 2, ND_AXES = 3, ND_WAYS = 0, ND_SLIDE_OUT = 1, ND_PRESS_BY = 0, ND_SLIDE_IN = 2, ND_OUTPUT = 0, ND_AGAIN = 1 };

enum { ND_IN_KEY, ND_IN_BUTTON, ND_IN_MOVE, ND_IN_AXIS, ND_IN_STICK };
/* A key, mouse or pad input of an action. `code`: the place of its key among all keys of the layout. `side`: of a pad stick left or right, of a mouse
   movement both ways, across, or up and down. */
typedef struct nd_input {
  int what, has_value, value_two, code;
  const char *key;
  double index;
  int side, unused;
  double value[2], scale[2], inner, outer;
} nd_input;

typedef struct nd_action {
  const char *name;
  size_t id_at;
  int kind, ease, combine, unused;
  nd_list moments, keys, mouse, pad;
  double rise_ms, fall_ms;
} nd_action;

typedef struct nd_named {
  const char *id, *name;
  size_t id_at;
} nd_named;

typedef struct nd_cluster {
  const char *id, *name;
  size_t id_at;
  nd_place place;
} nd_cluster;

typedef struct nd_zone {
  const char *id, *name;
  size_t id_at;
  nd_place place;
  nd_list moments;
  int taps, unused;
} nd_zone;

typedef struct nd_override {
  const char *id;
  int has_place, has_hit, has_landing, hidden;
  nd_place place;
  nd_hit hit;
  nd_place landing;
} nd_override;

typedef struct nd_arrangement {
  const char *id, *name;
  size_t id_at;
  int has_aspect, has_side, has_min_aspect, has_max_aspect, has_min_side, has_max_side;
  double min_aspect, max_aspect, min_side, max_side;
  nd_list overrides;
} nd_arrangement;

typedef struct nd_picture {
  const char *id, *name;
  size_t id_at, data_at, data_length;
} nd_picture;

/* Something that refers to a cluster (0) or a picture (1) by its id. */
typedef struct nd_ref {
  struct nd_ref *next;
  const char *id;
  size_t at;
  int to, found;
} nd_ref;

struct nodulum_layout {
  const char *digest, *name;
  double width, height, share, mm_per_unit, min_aspect, max_aspect, least_size, greatest_size;
  int of, orientation, has_picture, appear;
  nd_list actions, moments, clusters, controls, zones, arrangements, pictures;
  /* All key codes that actions are bound to, each once. */
  const char **codes;
  int code_count, unused;
};

/* ---- What a file may hold ---------------------------------------------------------------------------------------------------------- */

enum { ND_NUMBER, ND_TEXT, ND_LENGTH, ND_WORD, ND_PAIR, ND_LIST, ND_LABELS, ND_OVERRIDES, ND_OBJECT, ND_KINDS, ND_HAVING, ND_FRAME, ND_TWO, ND_REF, ND_NEW };
enum { ND_ABOVE = 1, ND_WHOLE = 2 };
enum { ND_ANY, ND_ID, ND_NO_CONTROLS, ND_COLOUR, ND_DIGEST, ND_BASE64 };

typedef struct nd_rule nd_rule;
/* Where something is stored in a struct; ND_NOWHERE: it is held against its rule and not kept. */
#define ND_NOWHERE 0xffff

/* A key of an object: where its value is stored in the struct of the object, and where it is noted that it is there. `opt`: it may be null or
   absent. `noted`: in place of whether it is there, where it stands is stored. */
typedef struct nd_key {
  const char *key;
  const nd_rule *rule;
  unsigned short at, has;
  unsigned char opt, noted;
} nd_key;

/* `means`: what it must be, in words; of a list, of what; of kinds, the key that tells them apart. `parts`: keys, words, or the rule of what
   it is made of, by what it is; `kinds`: a rule for each word. */
struct nd_rule {
  unsigned char is, flags;
  unsigned short count, size, store;
  double low, high;
  const char *means;
  const void *parts;
  const nd_rule *const *kinds;
  const char *(*whole)(const void *out);
};
static const nd_key *nd_keys_of(const nd_rule *rule) { return (const nd_key *)rule->parts; }
static const char *const *nd_words_of(const nd_rule *rule) { return (const char *const *)rule->parts; }
static const nd_rule *nd_rule_of(const nd_rule *rule) { return (const nd_rule *)rule->parts; }

#define ND_RULE(is, flags, low, high, means, parts, kinds, count, size, store, whole) {is, flags, count, size, store, low, high, means, parts, kinds, whole}
#define ND_NUM(name, flags, low, high, means) \
  static const nd_rule name = ND_RULE(ND_NUMBER, flags, low, high, means, NULL, NULL, 0, 0, ND_NOWHERE, NULL)
#define ND_TXT(name, like, least, most, means) \
  static const nd_rule name = ND_RULE(ND_TEXT, like, least, most, means, NULL, NULL, 0, 0, ND_NOWHERE, NULL)
#define ND_WRD(name, ...) \
  static const char *const name##_words[] = {__VA_ARGS__}; \
  static const nd_rule name = ND_RULE(ND_WORD, 0, 0, 0, NULL, name##_words, NULL, sizeof(name##_words) / sizeof(name##_words[0]), 0, ND_NOWHERE, NULL)
#define ND_LST(name, of, type, most, what) \
  static const nd_rule name = ND_RULE(ND_LIST, 0, 0, most, what, &of, NULL, 0, sizeof(type), ND_NOWHERE, NULL)
#define ND_OBJ(name, whole, ...) \
  static const nd_key name##_keys[] = {__VA_ARGS__}; \
  static const nd_rule name = ND_RULE(ND_OBJECT, 0, 0, 0, NULL, name##_keys, NULL, sizeof(name##_keys) / sizeof(name##_keys[0]), 0, ND_NOWHERE, whole)
#define ND_K(key, rule, type, field) \
  { key, &rule, offsetof(type, field), ND_NOWHERE, 0, 0 }
#define ND_KO(key, rule, type, field, has) \
  { key, &rule, offsetof(type, field), offsetof(type, has), 1, 0 }
/* Held against its rule, and not kept. */
#define ND_KX(key, rule) \
  { key, &rule, ND_NOWHERE, ND_NOWHERE, 0, 0 }
#define ND_KXO(key, rule) \
  { key, &rule, ND_NOWHERE, ND_NOWHERE, 1, 0 }
/* Its parts are stored in the struct of what it stands in. */
#define ND_KIN(key, rule) \
  { key, &rule, 0, ND_NOWHERE, 0, 0 }
#define ND_KINO(key, rule, type, has) \
  { key, &rule, 0, offsetof(type, has), 1, 0 }

ND_NUM(nd_finite, 0, -ND_BIG, ND_BIG, "must be a finite number");
ND_NUM(nd_above, ND_ABOVE, 0, ND_BIG, "must be a finite number above 0");
ND_NUM(nd_part, 0, 0, 1, "must be a finite number from 0 to 1");
ND_NUM(nd_ms, 0, 0, ND_BIG, "must be a finite number of 0 or more");
ND_NUM(nd_interval, 0, 1, ND_BIG, "must be a finite number of 1 or more");
ND_NUM(nd_control01, 0, 0.01, 0.99, "must be a finite number from 0.01 to 0.99");
ND_NUM(nd_exponent, 0, 0.5, 5, "must be a finite number from 0.5 to 5");
ND_NUM(nd_directions, ND_WHOLE, 0, 32, "must be a whole number from 0 to 32");
ND_NUM(nd_hold, 0, 0, 180, "must be a finite number from 0 to 180");
ND_NUM(nd_neutral, 0, 0.01, 0.9, "must be a finite number from 0.01 to 0.9");
ND_NUM(nd_diagonal, 0, 10, 80, "must be a finite number from 10 to 80");
ND_NUM(nd_buzz, 0, 0, 100, "must be a finite number from 0 to 100");
ND_NUM(nd_tap_ms, 0, 0, 2000, "must be a finite number from 0 to 2000");
ND_NUM(nd_tap_mm, 0, 0, 50, "must be a finite number from 0 to 50");
ND_NUM(nd_range_deg, 0, 10, 3600, "must be a finite number from 10 to 3600");
ND_NUM(nd_dial_part, 0, 0, 0.9, "must be a finite number from 0 to 0.9");
ND_NUM(nd_button31, ND_WHOLE, 0, 31, "must be a whole number from 0 to 31");
ND_NUM(nd_button63, ND_WHOLE, 0, 63, "must be a whole number from 0 to 63");

ND_TXT(nd_id, ND_ID, 1, 48, "must be an id: a small letter, then small letters, digits, hyphens");
ND_TXT(nd_name, ND_ANY, 1, 80, "must be a text of 1 to 80 characters");
ND_TXT(nd_label, ND_ANY, 0, 80, "must be a text of at most 80 characters");
ND_TXT(nd_icon, ND_ANY, 1, 48, "must be the name of an icon");
ND_TXT(nd_action_name, ND_NO_CONTROLS, 1, 64, "must be 1 to 64 characters, no control characters");
ND_TXT(nd_served, ND_ANY, 1, 64, "must be 1 to 64 characters");
ND_TXT(nd_code, ND_ANY, 1, 64, "must be a KeyboardEvent.code");
ND_TXT(nd_colour, ND_COLOUR, 7, 7, "must be a colour, such as #18242E");
ND_TXT(nd_digest, ND_DIGEST, 64, 64, "must be 64 small hex digits");
ND_TXT(nd_data, ND_BASE64, 0, 699055, "must be base64 of at most 512 KiB");

ND_WRD(nd_format, "nodulum-played");
ND_WRD(nd_version, "#1");
ND_WRD(nd_scale_of, "shorter", "longer", "area", "width", "height", "inside", "outside");
ND_WRD(nd_orientation, "landscape", "portrait", "both");
ND_WRD(nd_appear, "touch", "always", "no-pad");
ND_WRD(nd_kind_of_action, "press", "axis", "vector", "motion", "delta");
ND_WRD(nd_ease, "all", "switches");
ND_WRD(nd_combine, "sum", "strongest");
ND_WRD(nd_plain_frame, "screen", "safe", "picture");
ND_WRD(nd_is_pin, "pin");
ND_WRD(nd_is_span, "span");
ND_WRD(nd_shape, "ellipse", "box", "capsule");
ND_WRD(nd_sharing, "own", "shared");
ND_WRD(nd_hide, "none", "knob", "all");
ND_WRD(nd_home, "now", "later", "stay");
ND_WRD(nd_flag, "!true", "!false");
ND_WRD(nd_move, "!true", "x", "y");
ND_WRD(nd_side, "left", "right");
ND_WRD(nd_type, "image/png", "image/webp", "image/svg+xml");
ND_WRD(nd_rest, "middle", "stays");
ND_WRD(nd_origin, "fixed", "floating", "trailing");
ND_WRD(nd_start, "thumb", "centre");
ND_WRD(nd_dead_zone, "radial", "axial");
ND_WRD(nd_axes, "both", "x", "y");
ND_WRD(nd_ways, "#4", "#8");
ND_WRD(nd_slide_out, "keep", "release");
ND_WRD(nd_press_by, "hold", "latch", "pulse", "release", "long", "double");
ND_WRD(nd_output, "pulse", "hold");
ND_WRD(nd_again, "never", "each-distance");
ND_WRD(nd_linear, "linear");
ND_WRD(nd_power, "power");
ND_WRD(nd_bezier, "bezier");
ND_WRD(nd_full, "full");
ND_WRD(nd_is_stick, "stick");
ND_WRD(nd_is_dpad, "dpad");
ND_WRD(nd_is_button, "button");
ND_WRD(nd_is_touchpad, "touchpad");
ND_WRD(nd_is_swipe, "swipe");
ND_WRD(nd_is_dial, "dial");
/* All ports; which kind of control has which is in nd_has_port. A serve by another one gives nothing. */
ND_WRD(nd_port, "vector", "x", "y", "up", "down", "left", "right", "held", "active", "tapped", "released", "aim", "press", "motion", "dx", "dy", "turn");
enum {
  ND_P_VECTOR, ND_P_X, ND_P_Y, ND_P_UP, ND_P_DOWN, ND_P_LEFT, ND_P_RIGHT, ND_P_HELD, ND_P_ACTIVE, ND_P_TAPPED, ND_P_RELEASED, ND_P_AIM, ND_P_PRESS, ND_P_MOTION,
  ND_P_DX, ND_P_DY, ND_P_TURN
};

#define ND_BARE(name, is, flags, low) static const nd_rule name = ND_RULE(is, flags, low, 0, NULL, NULL, NULL, 0, 0, ND_NOWHERE, NULL)
ND_BARE(nd_length, ND_LENGTH, 0, -1);
ND_BARE(nd_length0, ND_LENGTH, 0, 0);
ND_BARE(nd_length1, ND_LENGTH, 0, 1);
ND_BARE(nd_two, ND_TWO, 0, 0);
ND_BARE(nd_to_cluster, ND_REF, 0, 0);
ND_BARE(nd_to_picture, ND_REF, 1, 0);
ND_BARE(nd_labels, ND_LABELS, 0, 0);
#define ND_PAIR_OF(name, of, type) static const nd_rule name = ND_RULE(ND_PAIR, 0, 0, 0, NULL, &of, NULL, 0, sizeof(type), ND_NOWHERE, NULL)
ND_PAIR_OF(nd_point, nd_part, double);
ND_PAIR_OF(nd_numbers, nd_finite, double);
ND_PAIR_OF(nd_lengths, nd_length, nd_len);
ND_PAIR_OF(nd_size, nd_length1, nd_len);
ND_LST(nd_ids, nd_id, const char *, 32, "moments");

static const char *nd_clamp_whole(const void *out) {
  const nd_place *p = (const nd_place *)out;
  return p->has_min && p->has_max && p->min_mm >= p->max_mm ? "minMm must be less than maxMm" : NULL;
}
ND_OBJ(nd_clamp, nd_clamp_whole, ND_KO("minMm", nd_above, nd_place, min_mm, has_min), ND_KO("maxMm", nd_above, nd_place, max_mm, has_max));
ND_OBJ(nd_in_cluster, NULL, ND_K("cluster", nd_to_cluster, nd_place, cluster));
static const nd_rule nd_any_frame = ND_RULE(ND_FRAME, 0, 0, 0, NULL, &nd_in_cluster, NULL, 0, 0, ND_NOWHERE, NULL);
#define ND_PIN_KEYS(frame_rule, frame_key) \
  ND_KX("kind", nd_is_pin), frame_key, ND_K("anchor", nd_point, nd_place, a), ND_K("pivot", nd_point, nd_place, b), ND_K("offset", nd_lengths, nd_place, len[0]), \
      ND_K("size", nd_size, nd_place, len[2]), ND_KINO("clamp", nd_clamp, nd_place, has_clamp)
ND_OBJ(nd_pin, NULL, ND_PIN_KEYS(nd_any_frame, ND_KIN("frame", nd_any_frame)));
ND_OBJ(nd_plain_pin, NULL, ND_PIN_KEYS(nd_plain_frame, ND_K("frame", nd_plain_frame, nd_place, frame)));
ND_OBJ(nd_inset, NULL, ND_K("left", nd_length, nd_place, len[0]), ND_K("top", nd_length, nd_place, len[1]), ND_K("right", nd_length, nd_place, len[2]),
       ND_K("bottom", nd_length, nd_place, len[3]));
ND_OBJ(nd_span, NULL, ND_KX("kind", nd_is_span), ND_K("frame", nd_plain_frame, nd_place, frame), ND_K("from", nd_point, nd_place, a), ND_K("to", nd_point, nd_place, b),
       ND_KIN("inset", nd_inset));
static const char *const nd_placement_words[] = {"pin", "span"};
static const nd_rule *const nd_placement_kinds[] = {&nd_pin, &nd_span};
static const nd_rule *const nd_plain_placement_kinds[] = {&nd_plain_pin, &nd_span};
static const nd_rule nd_placement = ND_RULE(ND_KINDS, 0, 0, 0, "kind", nd_placement_words, nd_placement_kinds, 2, 0, offsetof(nd_place, kind), NULL);
static const nd_rule nd_plain_placement = ND_RULE(ND_KINDS, 0, 0, 0, "kind", nd_placement_words, nd_plain_placement_kinds, 2, 0, offsetof(nd_place, kind), NULL);
static const nd_rule nd_new_placement = ND_RULE(ND_NEW, 0, 0, 0, NULL, &nd_plain_placement, NULL, 0, sizeof(nd_place), ND_NOWHERE, NULL);

ND_OBJ(nd_hit_area, NULL, ND_K("shape", nd_shape, nd_hit, shape), ND_KO("size", nd_size, nd_hit, size, has_size), ND_K("grow", nd_length, nd_hit, grow),
       ND_K("shift", nd_lengths, nd_hit, shift), ND_K("minMm", nd_ms, nd_hit, min_mm), ND_K("sharing", nd_sharing, nd_hit, sharing));

#define ND_FACE(name, opacity_key) ND_OBJ(name, NULL, ND_KX("fill", nd_colour), ND_KX("line", nd_colour), ND_KX("ink", nd_colour), opacity_key)
ND_FACE(nd_rest_face, ND_K("opacity", nd_part, nd_control, rest_opacity));
ND_FACE(nd_held_face, ND_K("opacity", nd_part, nd_control, held_opacity));
ND_FACE(nd_knob_face, ND_KX("opacity", nd_part));
ND_OBJ(nd_knob_looks, NULL, ND_KXO("rest", nd_knob_face), ND_KXO("held", nd_knob_face));
ND_OBJ(nd_away, NULL, ND_K("opacity", nd_part, nd_control, away_opacity), ND_K("afterMs", nd_ms, nd_control, away_after_ms), ND_K("fadeMs", nd_ms, nd_control, away_fade_ms));
#define ND_ART(key, field) \
  { key, &nd_to_picture, offsetof(nd_control, field), ND_NOWHERE, 1, 0 }
ND_OBJ(nd_art, NULL, ND_ART("rest", art_rest), ND_ART("held", art_held), ND_ART("knob", art_knob));
ND_OBJ(nd_look, NULL, ND_K("label", nd_label, nd_control, label), ND_KX("labels", nd_labels), {"icon", &nd_icon, offsetof(nd_control, icon), ND_NOWHERE, 1, 0},
       ND_KX("rotateDeg", nd_finite), ND_KXO("turnLabel", nd_flag), ND_KIN("rest", nd_rest_face), ND_KIN("held", nd_held_face), ND_KINO("away", nd_away, nd_control, has_away),
       ND_K("hideAtRest", nd_hide, nd_control, hide_at_rest), ND_KX("knobSize", nd_part), ND_KXO("knob", nd_knob_looks), ND_K("home", nd_home, nd_control, home),
       ND_K("homeAfterMs", nd_ms, nd_control, home_after_ms), ND_K("returnMs", nd_ms, nd_control, return_ms), ND_KINO("art", nd_art, nd_control, has_art));

ND_OBJ(nd_curve_linear, NULL, ND_KX("kind", nd_linear));
ND_OBJ(nd_curve_power, NULL, ND_KX("kind", nd_power), ND_K("exponent", nd_exponent, nd_control, curve_at[0]));
ND_OBJ(nd_curve_bezier, NULL, ND_KX("kind", nd_bezier), ND_K("x1", nd_control01, nd_control, curve_at[0]), ND_K("y1", nd_finite, nd_control, curve_at[1]),
       ND_K("x2", nd_control01, nd_control, curve_at[2]), ND_K("y2", nd_finite, nd_control, curve_at[3]));
ND_OBJ(nd_curve_full, NULL, ND_KX("kind", nd_full));
static const char *const nd_curve_words[] = {"linear", "power", "bezier", "full"};
static const nd_rule *const nd_curve_kinds[] = {&nd_curve_linear, &nd_curve_power, &nd_curve_bezier, &nd_curve_full};
static const nd_rule nd_curve = ND_RULE(ND_KINDS, 0, 0, 0, "kind", nd_curve_words, nd_curve_kinds, 4, 0, offsetof(nd_control, curve), NULL);

static const char *nd_dial_whole(const void *out) {
  const nd_control *c = (const nd_control *)out;
  if (c->release_at == 0) return "releaseAt must be above 0";
  return c->release_at > c->press_at ? "releaseAt must be at most pressAt" : NULL;
}
static const char *nd_stick_whole(const void *out) {
  const nd_control *c = (const nd_control *)out;
  const char *fault = c->inner >= c->outer ? "inner must be less than outer" : nd_dial_whole(out);
  return fault == NULL && c->stays && c->word[ND_ORIGIN] != 0 ? "rest \"stays\" needs origin \"fixed\"" : fault;
}
/* Missing in earlier played files: to the middle, and no taps. */
#define ND_OPT(key, rule, field) \
  { key, &rule, offsetof(nd_control, field), ND_NOWHERE, 1, 0 }
#define ND_TAPS ND_OPT("tapMs", nd_tap_ms, tap_ms), ND_OPT("tapMm", nd_tap_mm, tap_mm)
ND_OBJ(nd_stick_feel, nd_stick_whole, ND_K("origin", nd_origin, nd_control, word[ND_ORIGIN]), ND_OPT("rest", nd_rest, stays), ND_TAPS,
       ND_K("start", nd_start, nd_control, word[ND_START]),
       ND_K("travel", nd_length0, nd_control, travel), ND_KO("landing", nd_new_placement, nd_control, landing, has_landing), ND_K("inner", nd_part, nd_control, inner),
       ND_K("outer", nd_part, nd_control, outer), ND_K("deadZone", nd_dead_zone, nd_control, word[ND_DEAD_ZONE]), ND_KIN("curve", nd_curve),
       ND_K("directions", nd_directions, nd_control, directions), ND_K("axes", nd_axes, nd_control, word[ND_AXES]), ND_K("pressAt", nd_part, nd_control, press_at),
       ND_K("releaseAt", nd_part, nd_control, release_at), ND_K("holdDeg", nd_hold, nd_control, hold_deg));
ND_OBJ(nd_dpad_feel, NULL, ND_K("ways", nd_ways, nd_control, word[ND_WAYS]), ND_K("neutral", nd_neutral, nd_control, neutral), ND_K("diagonal", nd_diagonal, nd_control, diagonal),
       ND_K("holdDeg", nd_hold, nd_control, hold_deg), ND_K("slideOut", nd_slide_out, nd_control, word[ND_SLIDE_OUT]));
ND_OBJ(nd_button_feel, NULL, ND_K("press", nd_press_by, nd_control, word[ND_PRESS_BY]), ND_K("longMs", nd_ms, nd_control, long_ms),
       ND_K("withinMs", nd_ms, nd_control, within_ms), ND_K("slideIn", nd_flag, nd_control, word[ND_SLIDE_IN]), ND_K("slideOut", nd_slide_out, nd_control, word[ND_SLIDE_OUT]),
       ND_K("buzzMs", nd_buzz, nd_control, buzz_ms));
ND_OBJ(nd_touchpad_feel, NULL, ND_K("gain", nd_finite, nd_control, gain), ND_K("axes", nd_axes, nd_control, word[ND_AXES]), ND_TAPS);
ND_OBJ(nd_swipe_feel, NULL, ND_K("distanceMm", nd_above, nd_control, distance_mm), ND_K("directions", nd_directions, nd_control, directions),
       ND_K("output", nd_output, nd_control, word[ND_OUTPUT]), ND_K("again", nd_again, nd_control, word[ND_AGAIN]), ND_K("withinMs", nd_ms, nd_control, within_ms), ND_TAPS);
ND_OBJ(nd_dial_feel, nd_dial_whole, ND_K("rangeDeg", nd_range_deg, nd_control, range_deg), ND_K("inner", nd_dial_part, nd_control, inner), ND_KIN("curve", nd_curve),
       ND_K("neutral", nd_dial_part, nd_control, neutral), ND_OPT("rest", nd_rest, stays), ND_K("pressAt", nd_part, nd_control, press_at),
       ND_K("releaseAt", nd_part, nd_control, release_at), ND_TAPS);

ND_OBJ(nd_repeat, NULL, ND_K("delayMs", nd_ms, nd_serve, delay_ms), ND_K("intervalMs", nd_interval, nd_serve, interval_ms), ND_K("restMs", nd_ms, nd_serve, rest_ms));
ND_OBJ(nd_serve_rule, NULL, ND_K("port", nd_port, nd_serve, port), ND_K("action", nd_served, nd_serve, action), ND_KO("value", nd_two, nd_serve, value, has_value),
       ND_KO("scale", nd_two, nd_serve, scale, has_scale), ND_KINO("repeat", nd_repeat, nd_serve, has_repeat));
ND_LST(nd_serves, nd_serve_rule, nd_serve, 32, "serves");

#define ND_CONTROL(whole_rule, is_kind, feel_rule) \
  ND_OBJ(whole_rule, NULL, {"id", &nd_id, offsetof(nd_control, id), offsetof(nd_control, id_at), 0, 1}, ND_K("name", nd_name, nd_control, name), ND_KX("kind", is_kind), \
         ND_K("placement", nd_placement, nd_control, place), ND_K("moments", nd_ids, nd_control, moments), ND_K("hit", nd_hit_area, nd_control, hit), \
         ND_KIN("feel", feel_rule), ND_KIN("look", nd_look), ND_K("serves", nd_serves, nd_control, serves))
ND_CONTROL(nd_stick_control, nd_is_stick, nd_stick_feel);
ND_CONTROL(nd_dpad_control, nd_is_dpad, nd_dpad_feel);
ND_CONTROL(nd_button_control, nd_is_button, nd_button_feel);
ND_CONTROL(nd_touchpad_control, nd_is_touchpad, nd_touchpad_feel);
ND_CONTROL(nd_swipe_control, nd_is_swipe, nd_swipe_feel);
ND_CONTROL(nd_dial_control, nd_is_dial, nd_dial_feel);
static const char *const nd_control_words[] = {"stick", "dpad", "button", "touchpad", "swipe", "dial"};
static const nd_rule *const nd_control_kinds[] = {&nd_stick_control, &nd_dpad_control, &nd_button_control, &nd_touchpad_control, &nd_swipe_control, &nd_dial_control};
static const nd_rule nd_control_rule = ND_RULE(ND_KINDS, 0, 0, 0, "kind", nd_control_words, nd_control_kinds, 6, 0, offsetof(nd_control, kind), NULL);
ND_LST(nd_controls, nd_control_rule, nd_control, 200, "controls");

static const char *nd_dead_whole(const void *out) {
  const nd_input *in = (const nd_input *)out;
  return in->inner >= in->outer ? "inner must be less than outer" : NULL;
}
ND_OBJ(nd_key_input, NULL, ND_K("code", nd_code, nd_input, key), ND_KO("value", nd_two, nd_input, value, has_value));
ND_OBJ(nd_mouse_button, NULL, ND_K("button", nd_button31, nd_input, index), ND_KO("value", nd_two, nd_input, value, has_value));
ND_OBJ(nd_mouse_move, NULL, ND_K("move", nd_move, nd_input, side), ND_K("scale", nd_two, nd_input, scale));
ND_OBJ(nd_pad_button, NULL, ND_K("button", nd_button63, nd_input, index), ND_KO("value", nd_two, nd_input, value, has_value));
ND_OBJ(nd_pad_axis, nd_dead_whole, ND_K("axis", nd_button63, nd_input, index), ND_K("scale", nd_two, nd_input, scale), ND_K("inner", nd_part, nd_input, inner),
       ND_K("outer", nd_part, nd_input, outer));
ND_OBJ(nd_pad_stick, nd_dead_whole, ND_K("stick", nd_side, nd_input, side), ND_K("scale", nd_two, nd_input, scale), ND_K("inner", nd_part, nd_input, inner),
       ND_K("outer", nd_part, nd_input, outer));
static const char *const nd_mouse_words[] = {"button", "move"};
static const nd_rule *const nd_mouse_kinds[] = {&nd_mouse_button, &nd_mouse_move};
static const nd_rule nd_mouse_input = ND_RULE(ND_HAVING, 0, 0, 0, NULL, nd_mouse_words, nd_mouse_kinds, 2, 0, offsetof(nd_input, what), NULL);
static const char *const nd_pad_words[] = {"button", "axis", "stick"};
static const nd_rule *const nd_pad_kinds[] = {&nd_pad_button, &nd_pad_axis, &nd_pad_stick};
static const nd_rule nd_pad_input = ND_RULE(ND_HAVING, 1, 0, 0, NULL, nd_pad_words, nd_pad_kinds, 3, 0, offsetof(nd_input, what), NULL);
ND_LST(nd_keys, nd_key_input, nd_input, 32, "keys");
ND_LST(nd_mouse, nd_mouse_input, nd_input, 32, "mouse inputs");
ND_LST(nd_pad, nd_pad_input, nd_input, 32, "pad inputs");
ND_OBJ(nd_action_rule, NULL, {"name", &nd_action_name, offsetof(nd_action, name), offsetof(nd_action, id_at), 0, 1}, ND_K("kind", nd_kind_of_action, nd_action, kind),
       ND_K("moments", nd_ids, nd_action, moments), ND_K("keys", nd_keys, nd_action, keys), ND_K("mouse", nd_mouse, nd_action, mouse), ND_K("pad", nd_pad, nd_action, pad),
       ND_K("riseMs", nd_ms, nd_action, rise_ms), ND_K("fallMs", nd_ms, nd_action, fall_ms), ND_K("ease", nd_ease, nd_action, ease), ND_K("combine", nd_combine, nd_action, combine));
ND_LST(nd_actions, nd_action_rule, nd_action, 200, "actions");

ND_OBJ(nd_moment_rule, NULL, {"id", &nd_id, offsetof(nd_named, id), offsetof(nd_named, id_at), 0, 1}, ND_K("name", nd_name, nd_named, name));
ND_LST(nd_moments, nd_moment_rule, nd_named, 32, "moments");
ND_OBJ(nd_cluster_rule, NULL, {"id", &nd_id, offsetof(nd_cluster, id), offsetof(nd_cluster, id_at), 0, 1}, ND_K("name", nd_name, nd_cluster, name),
       ND_K("placement", nd_plain_pin, nd_cluster, place));
ND_LST(nd_clusters, nd_cluster_rule, nd_cluster, 64, "clusters");
ND_OBJ(nd_zone_rule, NULL, {"id", &nd_id, offsetof(nd_zone, id), offsetof(nd_zone, id_at), 0, 1}, ND_K("name", nd_name, nd_zone, name), ND_K("placement", nd_plain_placement, nd_zone, place),
       ND_K("moments", nd_ids, nd_zone, moments), ND_K("taps", nd_flag, nd_zone, taps));
ND_LST(nd_zones, nd_zone_rule, nd_zone, 200, "keep-clear zones");

ND_OBJ(nd_override_rule, NULL, ND_KO("placement", nd_placement, nd_override, place, has_place), ND_KO("hit", nd_hit_area, nd_override, hit, has_hit),
       ND_KO("landing", nd_plain_placement, nd_override, landing, has_landing), ND_K("hidden", nd_flag, nd_override, hidden));
static const nd_rule nd_overrides = ND_RULE(ND_OVERRIDES, 0, 0, 0, NULL, &nd_override_rule, NULL, 0, sizeof(nd_override), ND_NOWHERE, NULL);
ND_OBJ(nd_aspects, NULL, ND_KO("min", nd_finite, nd_arrangement, min_aspect, has_min_aspect), ND_KO("max", nd_finite, nd_arrangement, max_aspect, has_max_aspect));
ND_OBJ(nd_sides, NULL, ND_KO("min", nd_finite, nd_arrangement, min_side, has_min_side), ND_KO("max", nd_finite, nd_arrangement, max_side, has_max_side));
ND_OBJ(nd_when, NULL, ND_KINO("aspect", nd_aspects, nd_arrangement, has_aspect), ND_KINO("shortSideMm", nd_sides, nd_arrangement, has_side));
ND_OBJ(nd_arrangement_rule, NULL, {"id", &nd_id, offsetof(nd_arrangement, id), offsetof(nd_arrangement, id_at), 0, 1}, ND_K("name", nd_name, nd_arrangement, name), ND_KIN("when", nd_when),
       ND_K("overrides", nd_overrides, nd_arrangement, overrides));
ND_LST(nd_arrangements, nd_arrangement_rule, nd_arrangement, 16, "arrangements");

ND_OBJ(nd_picture_rule, NULL, {"id", &nd_id, offsetof(nd_picture, id), offsetof(nd_picture, id_at), 0, 1}, ND_K("name", nd_name, nd_picture, name), ND_KX("type", nd_type),
       {"data", &nd_data, offsetof(nd_picture, data_length), offsetof(nd_picture, data_at), 0, 1});
ND_LST(nd_pictures, nd_picture_rule, nd_picture, 200, "pictures");

static const char *nd_picture_whole(const void *out) {
  const nodulum_layout *l = (const nodulum_layout *)out;
  return l->min_aspect > l->max_aspect ? "minAspect must be at most maxAspect" : NULL;
}
static const char *nd_sizes_whole(const void *out) {
  const nodulum_layout *l = (const nodulum_layout *)out;
  return l->least_size > l->greatest_size ? "min must be at most max" : NULL;
}
ND_OBJ(nd_reference, NULL, ND_K("width", nd_above, nodulum_layout, width), ND_K("height", nd_above, nodulum_layout, height));
ND_OBJ(nd_scale, NULL, ND_K("share", nd_part, nodulum_layout, share), ND_K("of", nd_scale_of, nodulum_layout, of), ND_K("mmPerUnit", nd_above, nodulum_layout, mm_per_unit));
ND_OBJ(nd_picture_frame, nd_picture_whole, ND_K("minAspect", nd_above, nodulum_layout, min_aspect), ND_K("maxAspect", nd_above, nodulum_layout, max_aspect));
ND_OBJ(nd_sizes, nd_sizes_whole, ND_K("min", nd_above, nodulum_layout, least_size), ND_K("max", nd_above, nodulum_layout, greatest_size));
ND_OBJ(nd_played, NULL, ND_KX("format", nd_format), ND_KX("version", nd_version), ND_K("digest", nd_digest, nodulum_layout, digest), ND_K("name", nd_name, nodulum_layout, name),
       ND_KIN("reference", nd_reference), ND_KIN("scale", nd_scale), ND_K("orientation", nd_orientation, nodulum_layout, orientation),
       ND_KINO("picture", nd_picture_frame, nodulum_layout, has_picture), ND_KIN("playerSizes", nd_sizes), ND_K("appear", nd_appear, nodulum_layout, appear),
       ND_K("actions", nd_actions, nodulum_layout, actions), ND_K("moments", nd_moments, nodulum_layout, moments), ND_K("clusters", nd_clusters, nodulum_layout, clusters),
       ND_K("controls", nd_controls, nodulum_layout, controls), ND_K("keepClear", nd_zones, nodulum_layout, zones),
       ND_K("arrangements", nd_arrangements, nodulum_layout, arrangements), ND_K("pictures", nd_pictures, nodulum_layout, pictures));

/* ---- JSON by the byte (RFC 8259), stricter than most: no key twice, no lone surrogate, no NUL, no bad UTF-8, no more than 16 deep -------- */

#define ND_DEPTH 16

typedef struct nd_reader {
  const unsigned char *s;
  /* The file's length, and how far it is sound. */
  size_t n, limit;
  const char *fault;
  size_t fault_at;
  unsigned char *memory;
  size_t used, size;
  int full;
  /* What is wrong first: where it stands, the node whose path is told, a key below it, and the words. */
  int wrong;
  size_t wrong_at, wrong_node;
  int wrong_has_key;
  char wrong_key[96];
  char words[192];
  nd_ref *refs;
} nd_reader;

static int nd_byte(const nd_reader *r, size_t at) { return at < r->n ? (int)r->s[at] : -1; }

static int nd_fail(nd_reader *r, size_t at, const char *words) {
  r->fault = words;
  r->fault_at = at;
  return 0;
}

static void nd_space(const nd_reader *r, size_t *at, size_t limit) {
  while (*at < limit && (r->s[*at] == 32 || r->s[*at] == 10 || r->s[*at] == 13 || r->s[*at] == 9)) *at += 1;
}

static int nd_digit(int byte) {
  if (byte >= '0' && byte <= '9') return byte - '0';
  if (byte >= 'a' && byte <= 'f') return byte - 'a' + 10;
  if (byte >= 'A' && byte <= 'F') return byte - 'A' + 10;
  return -1;
}

/* Four hex digits; -1 where they are none. */
static long nd_hex(const nd_reader *r, size_t at) {
  long value = 0;
  int k;
  for (k = 0; k < 4; k += 1) {
    int digit = nd_digit(nd_byte(r, at + (size_t)k));
    if (digit < 0) return -1;
    value = value * 16 + digit;
  }
  return value;
}

/* How many bytes a character has by its first; 0 where it begins none. */
static int nd_character_length(int byte) {
  if (byte < 0x80) return 1;
  if ((byte >> 5) == 6) return 2;
  if ((byte >> 4) == 14) return 3;
  return (byte >> 3) == 30 ? 4 : 0;
}

typedef struct nd_fault {
  const char *words;
  size_t at;
} nd_fault;

static int nd_bad(nd_fault *fault, size_t at, const char *words) {
  fault->words = words;
  fault->at = at;
  return 0;
}

/* One character or escape of a string at `at`, which is before its closing quote. 0 at a fault. */
static int nd_step(const nd_reader *r, size_t *at, uint32_t *character, nd_fault *fault) {
  int byte = nd_byte(r, *at);
  if (byte == 92) {
    size_t start = *at;
    int letter = nd_byte(r, *at + 1);
    static const char letters[] = "\"\\/bfnrt", meant[] = "\"\\/\b\f\n\r\t";
    long high, low;
    if (letter != 'u') {
      const char *found = letter > 0 && letter < 128 ? strchr(letters, letter) : NULL;
      if (found == NULL || *found == 0) return nd_bad(fault, start, "unknown escape");
      *character = (uint32_t)(unsigned char)meant[found - letters];
      *at += 2;
      return 1;
    }
    high = nd_hex(r, *at + 2);
    if (high < 0) return nd_bad(fault, *at + 2, "a \\u escape has four hex digits");
    *at += 6;
    if (high == 0) return nd_bad(fault, start, "NUL is not allowed");
    if (high < 0xd800 || high > 0xdfff) {
      *character = (uint32_t)high;
      return 1;
    }
    if (high > 0xdbff || nd_byte(r, *at) != 92 || nd_byte(r, *at + 1) != 'u') return nd_bad(fault, start, "a lone surrogate");
    low = nd_hex(r, *at + 2);
    if (low < 0) return nd_bad(fault, *at + 2, "a \\u escape has four hex digits");
    if (low < 0xdc00 || low > 0xdfff) return nd_bad(fault, start, "a lone surrogate");
    *character = 0x10000u + (((uint32_t)high - 0xd800u) << 10) + ((uint32_t)low - 0xdc00u);
    *at += 6;
    return 1;
  }
  {
    static const uint32_t least[] = {0, 0, 0x80, 0x800, 0x10000};
    int length = nd_character_length(byte), k;
    uint32_t value = length == 1 ? (uint32_t)byte : (uint32_t)(byte & (0x7f >> length));
    if (byte < 32) return nd_bad(fault, *at, "a control character in a string");
    if (length == 0) return nd_bad(fault, *at, "bad UTF-8");
    for (k = 1; k < length; k += 1) {
      int next = nd_byte(r, *at + (size_t)k);
      if (next < 0 || (next & 0xc0) != 0x80) return nd_bad(fault, *at, "bad UTF-8");
      value = (value << 6) | (uint32_t)(next & 63);
    }
    if (value < least[length] || value > 0x10ffff || (value >= 0xd800 && value <= 0xdfff)) return nd_bad(fault, *at, "bad UTF-8");
    *at += (size_t)length;
    *character = value;
    return 1;
  }
}

static int nd_sound_string(nd_reader *r, size_t *at) {
  size_t start = *at;
  *at += 1;
  for (;;) {
    uint32_t character;
    nd_fault fault;
    int byte = nd_byte(r, *at);
    if (byte < 0) return nd_fail(r, start, "a string is not closed");
    if (byte == 34) break;
    if (!nd_step(r, at, &character, &fault)) return nd_fail(r, fault.at, fault.words);
  }
  *at += 1;
  return 1;
}

static int nd_is_number_sign(int byte) { return (byte >= '0' && byte <= '9') || byte == '+' || byte == '-' || byte == '.' || byte == 'e' || byte == 'E'; }

static int nd_sound_number(nd_reader *r, size_t *at) {
  size_t from = *at, end = from, p = from;
  while (nd_is_number_sign(nd_byte(r, end))) end += 1;
  *at = end;
#define ND_AT(q) ((q) < end ? (int)r->s[q] : -1)
#define ND_IS_DIGIT(q) (ND_AT(q) >= '0' && ND_AT(q) <= '9')
  if (ND_AT(p) == '-') p += 1;
  if (!ND_IS_DIGIT(p)) return nd_fail(r, from, "this is not a value");
  if (ND_AT(p) == '0') p += 1;
  else while (ND_IS_DIGIT(p)) p += 1;
  if (ND_AT(p) == '.') {
    p += 1;
    if (!ND_IS_DIGIT(p)) return nd_fail(r, from, "this is not a value");
    while (ND_IS_DIGIT(p)) p += 1;
  }
  if (ND_AT(p) == 'e' || ND_AT(p) == 'E') {
    p += 1;
    if (ND_AT(p) == '+' || ND_AT(p) == '-') p += 1;
    if (!ND_IS_DIGIT(p)) return nd_fail(r, from, "this is not a value");
    while (ND_IS_DIGIT(p)) p += 1;
  }
#undef ND_AT
#undef ND_IS_DIGIT
  return p == end ? 1 : nd_fail(r, from, "this is not a value");
}

static int nd_is_word(const nd_reader *r, size_t at, const char *word) {
  size_t length = strlen(word);
  return at + length <= r->n && memcmp(r->s + at, word, length) == 0;
}

/* Whether a value is sound; `at` goes behind it. */
static int nd_sound(nd_reader *r, size_t *at, int depth) {
  int byte, close;
  nd_space(r, at, r->n);
  byte = nd_byte(r, *at);
  if (byte == 34) return nd_sound_string(r, at);
  if (byte != 123 && byte != 91) {
    static const char *const words[] = {"true", "false", "null"};
    size_t w;
    for (w = 0; w < 3; w += 1)
      if (nd_is_word(r, *at, words[w])) {
        *at += strlen(words[w]);
        return 1;
      }
    return nd_sound_number(r, at);
  }
  if (depth > ND_DEPTH) return nd_fail(r, *at, "nested deeper than 16");
  close = byte == 123 ? 125 : 93;
  *at += 1;
  nd_space(r, at, r->n);
  if (nd_byte(r, *at) == close) {
    *at += 1;
    return 1;
  }
  for (;;) {
    if (close == 125) {
      nd_space(r, at, r->n);
      if (nd_byte(r, *at) != 34) return nd_fail(r, *at, "a key in quotes is missing");
      if (!nd_sound_string(r, at)) return 0;
      nd_space(r, at, r->n);
      if (nd_byte(r, *at) != 58) return nd_fail(r, *at, "a colon is missing");
      *at += 1;
    }
    if (!nd_sound(r, at, depth + 1)) return 0;
    nd_space(r, at, r->n);
    byte = nd_byte(r, *at);
    if (byte != close && byte != 44) return nd_fail(r, *at, "a comma or the closing sign is missing");
    *at += 1;
    if (byte == close) return 1;
  }
}

/* Behind the value at `at`, as far as the file is sound; ND_NONE where it breaks off within. */
static size_t nd_behind(const nd_reader *r, size_t at) {
  int open = 0;
  const size_t limit = r->limit;
  while (at < limit) {
    unsigned char byte = r->s[at];
    if (byte == 34) {
      /* To the next quote that no backslash stands before. */
      for (at += 1; at < limit; at += 1) {
        const unsigned char *quote = (const unsigned char *)memchr(r->s + at, 34, limit - at);
        size_t before;
        if (quote == NULL) return ND_NONE;
        at = (size_t)(quote - r->s);
        for (before = at; r->s[before - 1] == 92; before -= 1) continue;
        if ((at - before) % 2 == 0) break;
      }
      if (at >= limit) return ND_NONE;
      at += 1;
    } else if (byte == 123 || byte == 91) {
      open += 1;
      at += 1;
    } else if (byte == 125 || byte == 93) {
      open -= 1;
      at += 1;
    } else if (byte == 't' || byte == 'n') at += 4;
    else if (byte == 'f') at += 5;
    else if (nd_is_number_sign(byte))
      while (at < limit && nd_is_number_sign(r->s[at])) at += 1;
    else at += 1;
    if (open == 0) return at <= limit ? at : ND_NONE;
  }
  return ND_NONE;
}

/* What stands in a list or an object, one after the other. `end` ND_NONE: it breaks off within. */
typedef struct nd_entry {
  size_t key, value, end;
} nd_entry;

static int nd_is_open(const nd_reader *r, size_t at) { return at < r->limit && (r->s[at] == 123 || r->s[at] == 91); }

/* The next of a list or an object whose opening sign is at `within`; `cursor` 0 before the first. */
static int nd_next(const nd_reader *r, size_t within, size_t *cursor, nd_entry *entry) {
  size_t at = *cursor == 0 ? within + 1 : *cursor;
  if (at == ND_NONE) return 0;
  nd_space(r, &at, r->limit);
  if (at < r->limit && r->s[at] == 44 && *cursor != 0) {
    at += 1;
    nd_space(r, &at, r->limit);
  }
  if (at >= r->limit || r->s[at] == 125 || r->s[at] == 93) return 0;
  entry->key = ND_NONE;
  if (r->s[within] == 123) {
    size_t behind = nd_behind(r, at);
    if (behind == ND_NONE) return 0;
    entry->key = at;
    at = behind;
    nd_space(r, &at, r->limit);
    if (at >= r->limit || r->s[at] != 58) return 0;
    at += 1;
    nd_space(r, &at, r->limit);
    if (at >= r->limit) return 0;
  }
  entry->value = at;
  entry->end = nd_behind(r, at);
  if (entry->end == ND_NONE && !nd_is_open(r, at)) return 0;
  *cursor = entry->end;
  return 1;
}

/* The next character of a sound string; 0 at its end. `at` begins behind the opening quote. */
static int nd_letter(const nd_reader *r, size_t *at, uint32_t *character) {
  nd_fault fault;
  if (r->s[*at] == 34) return 0;
  if (r->s[*at] < 0x80 && r->s[*at] != 92) {
    *character = r->s[*at];
    *at += 1;
    return 1;
  }
  return nd_step(r, at, character, &fault);
}

/* Whether the string at `at` says `text` (UTF-8). */
static int nd_says(const nd_reader *r, size_t at, const char *text) {
  uint32_t character;
  const unsigned char *t = (const unsigned char *)text;
  at += 1;
  while (nd_letter(r, &at, &character)) {
    unsigned char bytes[4];
    int length = character < 0x80 ? 1 : character < 0x800 ? 2 : character < 0x10000 ? 3 : 4, k;
    static const unsigned char leads[] = {0, 0, 0xc0, 0xe0, 0xf0};
    for (k = length - 1; k > 0; k -= 1) {
      bytes[k] = (unsigned char)(0x80u | (character & 63u));
      character >>= 6;
    }
    bytes[0] = (unsigned char)(length == 1 ? character : (leads[length] | character));
    for (k = 0; k < length; k += 1, t += 1)
      if (*t != bytes[k]) return 0;
  }
  return *t == 0;
}

/* Two strings of the file against each other, as by their characters. */
static int nd_compare(const nd_reader *r, size_t a, size_t b) {
  uint32_t x = 0, y = 0;
  a += 1;
  b += 1;
  for (;;) {
    int more_a = nd_letter(r, &a, &x), more_b = nd_letter(r, &b, &y);
    if (!more_a || !more_b) return more_a - more_b;
    if (x != y) return x < y ? -1 : 1;
  }
}

/* The string's length in UTF-16 units, and in bytes of UTF-8. */
static size_t nd_units(const nd_reader *r, size_t at, size_t *bytes) {
  size_t units = 0;
  uint32_t character;
  *bytes = 0;
  at += 1;
  while (nd_letter(r, &at, &character)) {
    units += character < 0x10000 ? 1 : 2;
    *bytes += character < 0x80 ? 1 : character < 0x800 ? 2 : character < 0x10000 ? 3 : 4;
  }
  return units;
}

/* A decimal number, a dot its sign whatever the locale. Exact up to 15 digits and powers of ten up to 22, within two last places beyond. */
static double nd_decimal(const unsigned char *s, size_t n) {
  static const double tens[] = {1e0,  1e1,  1e2,  1e3,  1e4,  1e5,  1e6,  1e7,  1e8,  1e9,  1e10, 1e11,
                                1e12, 1e13, 1e14, 1e15, 1e16, 1e17, 1e18, 1e19, 1e20, 1e21, 1e22};
  size_t i = 0;
  int negative = 0, digits = 0, seen = 0, sign = 1;
  long power = 0, exponent = 0;
  uint64_t whole = 0;
  double value;
  if (i < n && s[i] == '-') {
    negative = 1;
    i += 1;
  }
  for (; i < n && ((s[i] >= '0' && s[i] <= '9') || s[i] == '.'); i += 1) {
    if (s[i] == '.') {
      seen = 1;
      continue;
    }
    if (digits < 18) {
      whole = whole * 10u + (uint64_t)(s[i] - '0');
      if (whole > 0) digits += 1;
      if (seen) power -= 1;
    } else if (!seen) power += 1;
  }
  if (i < n && (s[i] == 'e' || s[i] == 'E')) {
    i += 1;
    if (i < n && (s[i] == '+' || s[i] == '-')) {
      sign = s[i] == '-' ? -1 : 1;
      i += 1;
    }
    for (; i < n && s[i] >= '0' && s[i] <= '9'; i += 1)
      if (exponent < 100000) exponent = exponent * 10 + (s[i] - '0');
  }
  power += sign * exponent;
  value = (double)whole;
  if (whole != 0) {
    while (power > 0 && value <= ND_BIG) {
      long part = power > 22 ? 22 : power;
      value *= tens[part];
      power -= part;
    }
    while (power < 0 && value > 0) {
      long part = -power > 22 ? 22 : -power;
      value /= tens[part];
      power += part;
    }
  }
  return negative ? -value : value;
}

/* ---- A file held against what it may hold ------------------------------------------------------------------------------------------------ */

/* Room in the caller's memory; NULL where it is only measured, or full. */
static void *nd_room(nd_reader *r, size_t bytes) {
  size_t from = (r->used + 7u) & ~(size_t)7u;
  void *room;
  if (bytes > (size_t)-1 - from) {
    r->full = 1;
    return NULL;
  }
  r->used = from + bytes;
  if (r->memory == NULL) return NULL;
  if (r->used > r->size) {
    r->full = 1;
    return NULL;
  }
  room = r->memory + from;
  memset(room, 0, bytes);
  return room;
}

static void nd_append(char *to, size_t size, const char *text) {
  size_t at = strlen(to);
  while (*text != 0 && at + 1 < size) to[at++] = *text++;
  to[at] = 0;
}

static void nd_append_whole(char *to, size_t size, unsigned long value) {
  char digits[24];
  int i = (int)sizeof(digits) - 1;
  digits[i] = 0;
  do {
    digits[--i] = (char)('0' + (int)(value % 10u));
    value /= 10u;
  } while (value > 0);
  nd_append(to, size, digits + i);
}

/* Notes what is wrong, unless something before it is. Gives 0: nothing after it is read. */
static int nd_say(nd_reader *r, size_t at, size_t node, const char *words) {
  if (r->wrong && at >= r->wrong_at) return 0;
  r->wrong = 1;
  r->wrong_at = at;
  r->wrong_node = node;
  r->wrong_has_key = 0;
  r->wrong_key[0] = 0;
  r->words[0] = 0;
  nd_append(r->words, sizeof(r->words), words);
  return 0;
}

static void nd_append_string(const nd_reader *r, char *to, size_t size, size_t at) {
  uint32_t character;
  size_t end = strlen(to);
  at += 1;
  while (nd_letter(r, &at, &character)) {
    /* What is not plain is told as a question mark: a path is for a terminal, too. */
    if (end + 1 >= size) break;
    to[end++] = character >= 32 && character < 127 ? (char)character : '?';
    to[end] = 0;
  }
}

static int nd_say_key(nd_reader *r, size_t at, size_t node, size_t key, const char *words) {
  if (r->wrong && at >= r->wrong_at) return 0;
  nd_say(r, at, node, words);
  r->wrong_has_key = 1;
  nd_append_string(r, r->wrong_key, sizeof(r->wrong_key), key);
  return 0;
}

static int nd_missing(nd_reader *r, size_t end, size_t node, const char *key) {
  if (r->wrong && end >= r->wrong_at) return 0;
  nd_say(r, end, node, "is missing");
  r->wrong_has_key = 1;
  nd_append(r->wrong_key, sizeof(r->wrong_key), key);
  return 0;
}

/* A copy of a string in the caller's memory, as UTF-8 that ends in NUL. */
static const char *nd_kept(nd_reader *r, size_t at, size_t bytes) {
  char *room = (char *)nd_room(r, bytes + 1);
  uint32_t character;
  char *to = room;
  if (room == NULL) return NULL;
  at += 1;
  while (nd_letter(r, &at, &character)) {
    if (character < 0x80) *to++ = (char)character;
    else if (character < 0x800) {
      *to++ = (char)(0xc0u | (character >> 6));
      *to++ = (char)(0x80u | (character & 63u));
    } else if (character < 0x10000) {
      *to++ = (char)(0xe0u | (character >> 12));
      *to++ = (char)(0x80u | ((character >> 6) & 63u));
      *to++ = (char)(0x80u | (character & 63u));
    } else {
      *to++ = (char)(0xf0u | (character >> 18));
      *to++ = (char)(0x80u | ((character >> 12) & 63u));
      *to++ = (char)(0x80u | ((character >> 6) & 63u));
      *to++ = (char)(0x80u | (character & 63u));
    }
  }
  *to = 0;
  return room;
}

static int nd_is_string(const nd_reader *r, size_t at) { return r->s[at] == 34; }
static int nd_is_object(const nd_reader *r, size_t at) { return r->s[at] == 123; }
static int nd_is_list(const nd_reader *r, size_t at) { return r->s[at] == 91; }
static int nd_is_null(const nd_reader *r, size_t at) { return r->s[at] == 'n'; }
static int nd_is_number(const nd_reader *r, size_t at) { return r->s[at] == '-' || (r->s[at] >= '0' && r->s[at] <= '9'); }

static int nd_is_like(const nd_reader *r, size_t at, int like) {
  uint32_t c;
  size_t i = 0, ends = 0;
  at += 1;
  for (; nd_letter(r, &at, &c); i += 1) {
    switch (like) {
      case ND_ID:
        if (!((c >= 'a' && c <= 'z') || (i > 0 && ((c >= '0' && c <= '9') || c == '-')))) return 0;
        break;
      case ND_NO_CONTROLS:
        if (c < 32 || (c >= 127 && c < 160)) return 0;
        break;
      case ND_COLOUR:
        if (i == 0 ? c != '#' : c > 127 || nd_digit((int)c) < 0) return 0;
        break;
      case ND_DIGEST:
        if (!((c >= '0' && c <= '9') || (c >= 'a' && c <= 'f'))) return 0;
        break;
      case ND_BASE64:
        if (c == '=') {
          ends += 1;
          if (ends > 2) return 0;
        } else if (ends > 0 || !((c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '+' || c == '/')) return 0;
        break;
      default:
        break;
    }
  }
  return 1;
}

/* A length: digits, perhaps a minus before and decimals after, then a unit. */
static int nd_read_length(const nd_reader *r, size_t at, nd_len *out) {
  static const char *const units[] = {"u", "mm", "px", "%w", "%h", "%min", "%max"};
  char text[32];
  size_t n = 0, i = 0, unit;
  uint32_t c;
  size_t p = at + 1;
  while (nd_letter(r, &p, &c)) {
    if (n >= 24 || c >= 127) return 0;
    text[n++] = (char)c;
  }
  text[n] = 0;
  if (text[i] == '-') i += 1;
  if (text[i] < '0' || text[i] > '9') return 0;
  while (text[i] >= '0' && text[i] <= '9') i += 1;
  if (text[i] == '.') {
    i += 1;
    if (text[i] < '0' || text[i] > '9') return 0;
    while (text[i] >= '0' && text[i] <= '9') i += 1;
  }
  for (unit = 0; unit < 7; unit += 1)
    if (strcmp(text + i, units[unit]) == 0) {
      out->amount = nd_decimal((const unsigned char *)text, i);
      out->unit = (int)unit;
      return 1;
    }
  return 0;
}

/* Whether a value is one of the words of a rule: a text, #4 a number, !true a truth. Its place among them, or -1. */
static int nd_word_at(const nd_reader *r, size_t at, size_t end, const nd_rule *rule) {
  size_t w;
  for (w = 0; w < rule->count; w += 1) {
    const char *word = nd_words_of(rule)[w];
    if (word[0] == '#') {
      if (nd_is_number(r, at) && nd_decimal(r->s + at, end - at) == nd_decimal((const unsigned char *)word + 1, strlen(word + 1))) return (int)w;
    } else if (word[0] == '!') {
      if (r->s[at] == (unsigned char)word[1]) return (int)w;
    } else if (nd_is_string(r, at) && nd_says(r, at, word)) return (int)w;
  }
  return -1;
}

static void nd_say_words(nd_reader *r, const nd_rule *rule) {
  size_t w;
  nd_append(r->words, sizeof(r->words), rule->count > 1 ? "must be one of " : "must be ");
  for (w = 0; w < rule->count; w += 1) {
    const char *word = nd_words_of(rule)[w];
    if (w > 0) nd_append(r->words, sizeof(r->words), ", ");
    nd_append(r->words, sizeof(r->words), word[0] == '#' || word[0] == '!' ? word + 1 : word);
  }
}

static int nd_walk(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out, unsigned char *two);

static int nd_walk_object(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out) {
  const nd_key *keys = nd_keys_of(rule);
  size_t cursor = 0, k, next = 0;
  nd_entry entry;
  uint64_t seen = 0;
  const char *wrong;
  if (!nd_is_object(r, at)) return nd_say(r, at, at, "must be an object");
  while (nd_next(r, at, &cursor, &entry)) {
    const nd_key *key = NULL;
    /* Keys stand in the order in which they are written: the next one is nearly always the next. */
    for (k = 0; k < rule->count && key == NULL; k += 1) {
      const nd_key *one = &keys[(next + k) % rule->count];
      if ((r->s[entry.key + 1] == (unsigned char)one->key[0] || r->s[entry.key + 1] == 92) && nd_says(r, entry.key, one->key)) key = one;
    }
    /* Of a key that is not known whether it stands twice says no more than that it is not known. */
    if (key == NULL) return nd_say_key(r, entry.key, at, entry.key, "unknown key");
    next = (size_t)(key - keys) + 1;
    if (seen & ((uint64_t)1 << (key - keys))) return nd_say_key(r, entry.key, at, entry.key, "stands twice");
    seen |= (uint64_t)1 << (key - keys);
    if (key->opt && nd_is_null(r, entry.value)) continue;
    {
      unsigned char *to = out == NULL || key->at == ND_NOWHERE ? NULL : out + key->at;
      unsigned char *note = out == NULL || key->has == ND_NOWHERE ? NULL : out + key->has;
      if (note != NULL && key->noted) memcpy(note, &entry.value, sizeof(size_t));
      if (!nd_walk(r, key->rule, entry.value, entry.end, to, note != NULL && !key->noted ? note + sizeof(int) : NULL)) return 0;
      if (note != NULL && !key->noted) {
        int is_there = 1;
        memcpy(note, &is_there, sizeof(int));
      }
    }
  }
  if (end == ND_NONE) return 0;
  for (k = 0; k < rule->count; k += 1)
    if (!keys[k].opt && !(seen & ((uint64_t)1 << k))) return nd_missing(r, end, at, keys[k].key);
  wrong = rule->whole != NULL && out != NULL ? rule->whole(out) : NULL;
  return wrong == NULL ? 1 : nd_say(r, end, at, wrong);
}

/* The keys of a map in order of their texts, so that one that stands twice is found however many there are. */
static int nd_sorted_twice(nd_reader *r, size_t at, size_t count, size_t *first) {
  size_t *keys = (size_t *)nd_room(r, count * sizeof(size_t));
  size_t cursor = 0, n = 0, i, last;
  nd_entry entry;
  *first = ND_NONE;
  if (keys == NULL) return 0;
  while (nd_next(r, at, &cursor, &entry)) keys[n++] = entry.key;
#define ND_LESS(a, b) (nd_compare(r, keys[a], keys[b]) < 0 || (nd_compare(r, keys[a], keys[b]) == 0 && keys[a] < keys[b]))
#define ND_SWAP(a, b) \
  do { \
    size_t held = keys[a]; \
    keys[a] = keys[b]; \
    keys[b] = held; \
  } while (0)
  for (i = n / 2, last = n; last > 1;) {
    size_t root, child;
    if (i > 0) i -= 1;
    else {
      last -= 1;
      ND_SWAP(0, last);
      if (last <= 1) break;
    }
    for (root = i; (child = 2 * root + 1) < last; root = child) {
      if (child + 1 < last && ND_LESS(child, child + 1)) child += 1;
      if (!ND_LESS(root, child)) break;
      ND_SWAP(root, child);
    }
  }
#undef ND_LESS
#undef ND_SWAP
  for (i = 1; i < n; i += 1)
    if (nd_compare(r, keys[i - 1], keys[i]) == 0 && keys[i] < *first) *first = keys[i];
  return 1;
}

/* A map from names to values: labels are held against their rule alone, overrides are kept. */
static int nd_walk_map(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out) {
  size_t cursor = 0, count = 0, twice = ND_NONE, units, bytes;
  nd_entry entry;
  nd_list *list = (nd_list *)(void *)out;
  const size_t before = r->used;
  int sorted;
  if (!nd_is_object(r, at)) return nd_say(r, at, at, "must be an object");
  while (nd_next(r, at, &cursor, &entry)) count += 1;
  sorted = nd_sorted_twice(r, at, count, &twice);
  (void)sorted;
  if (rule->is == ND_LABELS && r->memory != NULL) r->used = before;
  if (rule->is == ND_OVERRIDES) {
    void *items = nd_room(r, count * rule->size);
    if (list != NULL) list->items = items;
  }
  cursor = 0;
  while (nd_next(r, at, &cursor, &entry)) {
    unsigned char *item = NULL;
    if (entry.key == twice) return nd_say_key(r, entry.key, at, entry.key, "stands twice");
    units = nd_units(r, entry.key, &bytes);
    if (units * 3 > 1024 && bytes > 1024) return nd_say(r, entry.value, entry.value, "is longer than 1024 bytes");
    if (rule->is == ND_LABELS) {
      if (!nd_walk(r, &nd_label, entry.value, entry.end, NULL, NULL)) return 0;
      continue;
    }
    if (list != NULL && list->items != NULL) {
      item = (unsigned char *)list->items + (size_t)list->count * rule->size;
      list->count += 1;
    }
    {
      const char *id = nd_kept(r, entry.key, bytes);
      if (item != NULL) ((nd_override *)(void *)item)->id = id;
    }
    if (!nd_walk(r, nd_rule_of(rule), entry.value, entry.end, item, NULL)) return 0;
  }
  return end != ND_NONE;
}

static int nd_walk_list(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out) {
  size_t cursor = 0, count = 0, kept;
  nd_entry entry;
  nd_list *list = (nd_list *)(void *)out;
  if (!nd_is_list(r, at)) return nd_say(r, at, at, "must be a list");
  while (nd_next(r, at, &cursor, &entry)) count += 1;
  kept = count > (size_t)rule->high ? (size_t)rule->high : count;
  {
    void *items = nd_room(r, kept * rule->size);
    if (list != NULL) list->items = items;
  }
  cursor = 0;
  for (count = 0; nd_next(r, at, &cursor, &entry); count += 1) {
    unsigned char *item = NULL;
    if (count >= kept) {
      char words[96] = "at most ";
      nd_append_whole(words, sizeof(words), (unsigned long)rule->high);
      nd_append(words, sizeof(words), " ");
      nd_append(words, sizeof(words), rule->means);
      return nd_say(r, entry.value, at, words);
    }
    if (list != NULL && list->items != NULL) {
      item = (unsigned char *)list->items + count * rule->size;
      list->count = (int)count + 1;
    }
    if (!nd_walk(r, nd_rule_of(rule), entry.value, entry.end, item, NULL)) return 0;
  }
  return end != ND_NONE;
}

static int nd_walk_pair(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out) {
  size_t cursor = 0, count = 0;
  nd_entry entry;
  if (nd_is_list(r, at))
    while (count < 3 && nd_next(r, at, &cursor, &entry)) count += 1;
  if (!nd_is_list(r, at) || (count != 2 && end != ND_NONE) || count > 2) return nd_say(r, at, at, "must be a list of two");
  cursor = 0;
  for (count = 0; nd_next(r, at, &cursor, &entry); count += 1)
    if (!nd_walk(r, nd_rule_of(rule), entry.value, entry.end, out == NULL ? NULL : out + count * rule->size, NULL)) return 0;
  return end != ND_NONE;
}

/* An object whose keys follow from the word under one of them, or from which of some keys it has. */
static int nd_walk_kinds(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out) {
  size_t cursor = 0, w, which = rule->count, twice = ND_NONE;
  nd_entry entry;
  size_t kind = ND_NONE;
  if (!nd_is_object(r, at)) return nd_say(r, at, at, "must be an object");
  while (nd_next(r, at, &cursor, &entry)) {
    if (rule->is == ND_KINDS && kind == ND_NONE && nd_says(r, entry.key, rule->means)) kind = entry.value;
    if (rule->is == ND_HAVING)
      for (w = 0; w < which; w += 1)
        if (nd_says(r, entry.key, nd_words_of(rule)[w])) which = w;
  }
  if (kind != ND_NONE && nd_is_string(r, kind))
    for (w = 0; w < rule->count && which == rule->count; w += 1)
      if (nd_says(r, kind, nd_words_of(rule)[w])) which = w;
  if (which < rule->count) {
    if (out != NULL && rule->store != ND_NOWHERE) {
      static const int mouse[] = {ND_IN_BUTTON, ND_IN_MOVE}, pad[] = {ND_IN_BUTTON, ND_IN_AXIS, ND_IN_STICK};
      int value = rule->is == ND_KINDS ? (int)which : rule->flags ? pad[which] : mouse[which];
      memcpy(out + rule->store, &value, sizeof(int));
    }
    return nd_walk(r, rule->kinds[which], at, end, out, NULL);
  }
  /* Nothing in it can be judged but whether a key stands twice. */
  cursor = 0;
  w = 0;
  while (nd_next(r, at, &cursor, &entry)) w += 1;
  if (w > 1) nd_sorted_twice(r, at, w, &twice);
  if (twice != ND_NONE) nd_say_key(r, twice, at, twice, "stands twice");
  if (rule->is == ND_KINDS) {
    if (kind != ND_NONE) {
      if (!r->wrong || kind < r->wrong_at) {
        nd_say(r, kind, at, "");
        r->wrong_has_key = 1;
        nd_append(r->wrong_key, sizeof(r->wrong_key), rule->means);
        nd_append(r->words, sizeof(r->words), "must be one of ");
        for (w = 0; w < rule->count; w += 1) {
          if (w > 0) nd_append(r->words, sizeof(r->words), ", ");
          nd_append(r->words, sizeof(r->words), nd_words_of(rule)[w]);
        }
      }
      return 0;
    }
    return end == ND_NONE ? 0 : nd_missing(r, end, at, rule->means);
  }
  if (end != ND_NONE && (!r->wrong || at < r->wrong_at)) {
    nd_say(r, at, at, "must have one of ");
    for (w = 0; w < rule->count; w += 1) {
      if (w > 0) nd_append(r->words, sizeof(r->words), ", ");
      nd_append(r->words, sizeof(r->words), nd_words_of(rule)[w]);
    }
  }
  return 0;
}

static int nd_walk_text(nd_reader *r, const nd_rule *rule, size_t at, unsigned char *out) {
  size_t units, bytes;
  if (!nd_is_string(r, at)) return nd_say(r, at, at, rule->means);
  units = nd_units(r, at, &bytes);
  if ((double)units < rule->low || (double)units > rule->high || !nd_is_like(r, at, rule->flags)) return nd_say(r, at, at, rule->means);
  if (rule->high <= 1024 && units * 3 > 1024 && bytes > 1024) return nd_say(r, at, at, "is longer than 1024 bytes");
  if (rule->flags == ND_BASE64) {
    if (out != NULL) memcpy(out, &units, sizeof(size_t));
    return 1;
  }
  /* What is only held against its rule is not kept: nothing waits for it, here and where it is measured alike. */
  if (out != NULL || r->memory == NULL) {
    const char *text = nd_kept(r, at, bytes);
    if (out != NULL) memcpy(out, &text, sizeof(text));
  }
  return 1;
}

static int nd_walk(nd_reader *r, const nd_rule *rule, size_t at, size_t end, unsigned char *out, unsigned char *two) {
  switch (rule->is) {
    case ND_NUMBER: {
      double value = nd_is_number(r, at) ? nd_decimal(r->s + at, end - at) : 0;
      int fits = nd_is_number(r, at) && value >= rule->low && value <= rule->high && !((rule->flags & ND_ABOVE) && value == 0) &&
                 !((rule->flags & ND_WHOLE) && fmod(value, 1) != 0);
      if (!fits) return nd_say(r, at, at, rule->means);
      if (out != NULL) memcpy(out, &value, sizeof(double));
      return 1;
    }
    case ND_TEXT:
      return nd_walk_text(r, rule, at, out);
    case ND_LENGTH: {
      nd_len length;
      memset(&length, 0, sizeof(length));
      if (!nd_is_string(r, at) || !nd_read_length(r, at, &length)) return nd_say(r, at, at, "must be a length of at most 24 characters, such as \"12mm\"");
      if (rule->low > 0 && length.amount <= 0) return nd_say(r, at, at, "must be more than 0");
      if (rule->low == 0 && length.amount < 0) return nd_say(r, at, at, "must be 0 or more");
      if (out != NULL) memcpy(out, &length, sizeof(length));
      return 1;
    }
    case ND_WORD: {
      int which = nd_word_at(r, at, end, rule);
      if (which < 0) {
        if (r->wrong && at >= r->wrong_at) return 0;
        nd_say(r, at, at, "");
        if (rule == &nd_format) nd_append(r->words, sizeof(r->words), "this is not a played file: format must be \"nodulum-played\"");
        else if (rule == &nd_version && nd_is_number(r, at)) {
          size_t i;
          nd_append(r->words, sizeof(r->words), "the file is of version ");
          for (i = at; i < end && i < at + 24; i += 1) {
            char digit[2] = {0, 0};
            digit[0] = (char)r->s[i];
            nd_append(r->words, sizeof(r->words), digit);
          }
          nd_append(r->words, sizeof(r->words), ", this reader reads version 1");
        } else nd_say_words(r, rule);
        return 0;
      }
      /* A truth is kept as 1 or 0. */
      if (rule == &nd_flag) which = which == 0;
      if (out != NULL) memcpy(out, &which, sizeof(int));
      return 1;
    }
    case ND_PAIR:
      return nd_walk_pair(r, rule, at, end, out);
    case ND_LIST:
      return nd_walk_list(r, rule, at, end, out);
    case ND_LABELS:
    case ND_OVERRIDES:
      return nd_walk_map(r, rule, at, end, out);
    case ND_OBJECT:
      return nd_walk_object(r, rule, at, end, out);
    case ND_KINDS:
    case ND_HAVING:
      return nd_walk_kinds(r, rule, at, end, out);
    case ND_FRAME: {
      nd_place *place = (nd_place *)(void *)out;
      if (!nd_is_list(r, at) && !nd_is_object(r, at)) return nd_walk(r, &nd_plain_frame, at, end, place == NULL ? NULL : (unsigned char *)&place->frame, NULL);
      if (!nd_walk(r, nd_rule_of(rule), at, end, out, NULL)) return 0;
      if (place != NULL) place->frame = ND_CLUSTER;
      return 1;
    }
    case ND_TWO: {
      double value[2];
      int is_two = nd_is_list(r, at) || nd_is_object(r, at);
      value[0] = value[1] = 0;
      if (!nd_walk(r, is_two ? &nd_numbers : &nd_finite, at, end, (unsigned char *)value, NULL)) return 0;
      if (!is_two) value[1] = value[0];
      if (out != NULL) memcpy(out, value, sizeof(value));
      if (two != NULL) memcpy(two, &is_two, sizeof(int));
      return 1;
    }
    case ND_REF: {
      nd_ref *ref;
      size_t bytes;
      const char *id;
      if (!nd_is_string(r, at)) return nd_say(r, at, at, "must be an id");
      (void)nd_units(r, at, &bytes);
      id = nd_kept(r, at, bytes);
      ref = (nd_ref *)nd_room(r, sizeof(nd_ref));
      if (ref != NULL) {
        ref->next = r->refs;
        ref->id = id;
        ref->at = at;
        ref->to = rule->flags;
        r->refs = ref;
      }
      if (out != NULL) memcpy(out, &id, sizeof(id));
      return 1;
    }
    case ND_NEW: {
      unsigned char *room = (unsigned char *)nd_room(r, rule->size);
      if (out != NULL) memcpy(out, &room, sizeof(room));
      return nd_walk(r, nd_rule_of(rule), at, end, room, NULL);
    }
    default:
      return 0;
  }
}

/* ---- What can be judged only when all has been read --------------------------------------------------------------------------------------- */

/* An id of a list by its place: what the list's items begin with. */
static const nd_named *nd_named_at(const nd_list *list, size_t size, int i) { return (const nd_named *)(const void *)((const unsigned char *)list->items + (size_t)i * size); }

/* Notes each id that has stood before in any of `count` lists, and what is largest with them. */
static void nd_check_ids(nd_reader *r, const nd_list *const *lists, const size_t *sizes, const size_t *offsets, int count) {
  int a, b, i, k;
  for (a = 0; a < count; a += 1)
    for (i = 0; i < lists[a]->count; i += 1) {
      const unsigned char *item = (const unsigned char *)nd_named_at(lists[a], sizes[a], i);
      const char *id;
      size_t at;
      memcpy(&id, item, sizeof(id));
      memcpy(&at, item + offsets[a], sizeof(at));
      if (id == NULL || (r->wrong && at >= r->wrong_at)) continue;
      for (b = 0; b < count; b += 1)
        for (k = 0; k < lists[b]->count; k += 1) {
          const unsigned char *other = (const unsigned char *)nd_named_at(lists[b], sizes[b], k);
          const char *text;
          size_t where;
          memcpy(&text, other, sizeof(text));
          memcpy(&where, other + offsets[b], sizeof(where));
          if (text != NULL && where < at && strcmp(text, id) == 0) nd_say(r, at, at, "is used twice");
        }
    }
}

/* Looks up, in the file itself, whether the ids that are referred to stand in a list of it. */
static void nd_find_refs(nd_reader *r, size_t root, const char *key, int to) {
  size_t cursor = 0, items, own;
  nd_entry entry, item, field;
  while (nd_next(r, root, &cursor, &entry)) {
    if (!nd_says(r, entry.key, key) || !nd_is_list(r, entry.value)) continue;
    items = 0;
    while (nd_next(r, entry.value, &items, &item)) {
      if (!nd_is_object(r, item.value)) continue;
      own = 0;
      while (nd_next(r, item.value, &own, &field))
        if (nd_says(r, field.key, "id")) {
          nd_ref *ref;
          if (nd_is_string(r, field.value))
            for (ref = r->refs; ref != NULL; ref = ref->next)
              if (ref->to == to && ref->id != NULL && nd_says(r, field.value, ref->id)) ref->found = 1;
          break;
        }
    }
  }
}

static void nd_look_up(nd_reader *r, size_t root, const nodulum_layout *l) {
  const nd_list *together[3];
  size_t sizes[3], offsets[3];
  nd_ref *ref;
  size_t held = 0;
  int i;
  together[0] = &l->clusters;
  together[1] = &l->controls;
  together[2] = &l->zones;
  sizes[0] = sizeof(nd_cluster);
  sizes[1] = sizeof(nd_control);
  sizes[2] = sizeof(nd_zone);
  offsets[0] = offsetof(nd_cluster, id_at);
  offsets[1] = offsetof(nd_control, id_at);
  offsets[2] = offsetof(nd_zone, id_at);
  nd_check_ids(r, together, sizes, offsets, 3);
#define ND_ALONE(field, type) \
  together[0] = &l->field; \
  sizes[0] = sizeof(type); \
  offsets[0] = offsetof(type, id_at); \
  nd_check_ids(r, together, sizes, offsets, 1)
  ND_ALONE(actions, nd_action);
  ND_ALONE(moments, nd_named);
  ND_ALONE(arrangements, nd_arrangement);
  ND_ALONE(pictures, nd_picture);
#undef ND_ALONE
  for (i = 0; i < l->pictures.count; i += 1) {
    const nd_picture *picture = (const nd_picture *)l->pictures.items + i;
    held += picture->data_length * 3 / 4;
    if (picture->data_at != 0 && held > 6u * 1024u * 1024u) nd_say(r, picture->data_at, picture->data_at, "the pictures hold more than 6 MiB in all");
  }
  if (r->refs == NULL) return;
  nd_find_refs(r, root, "clusters", 0);
  nd_find_refs(r, root, "pictures", 1);
  for (ref = r->refs; ref != NULL; ref = ref->next)
    if (!ref->found) nd_say(r, ref->at, ref->at, ref->to == 0 ? "there is no cluster of this id" : "there is no picture of this id");
}

/* The path of the node at `target`, from the root down. */
static void nd_path(const nd_reader *r, size_t root, size_t target, char *path, size_t size) {
  size_t at = root;
  path[0] = 0;
  while (at != target) {
    size_t cursor = 0, i = 0;
    nd_entry entry;
    int found = 0;
    while (!found && nd_next(r, at, &cursor, &entry)) {
      found = entry.value <= target && (entry.end == ND_NONE || target < entry.end);
      if (found && entry.key != ND_NONE) {
        if (path[0] != 0) nd_append(path, size, ".");
        nd_append_string(r, path, size, entry.key);
      } else if (found) {
        nd_append(path, size, "[");
        nd_append_whole(path, size, (unsigned long)i);
        nd_append(path, size, "]");
      }
      i += 1;
    }
    if (!found) return;
    at = entry.value;
  }
}

static nodulum_layout *nd_refuse(nodulum_error *error, size_t position, const char *path, const char *message) {
  if (error != NULL) {
    error->path[0] = error->message[0] = 0;
    nd_append(error->path, sizeof(error->path), path);
    nd_append(error->message, sizeof(error->message), message);
    error->position = position;
  }
  return NULL;
}

#define ND_MOST_BYTES ((size_t)16 * 1024 * 1024)

static void nd_open(nd_reader *r, const char *json, size_t length, void *memory, size_t size) {
  size_t at = 0;
  memset(r, 0, sizeof(*r));
  r->s = (const unsigned char *)json;
  r->n = r->limit = length;
  r->memory = (unsigned char *)memory;
  r->size = size;
  if (nd_sound(r, &at, 1)) {
    nd_space(r, &at, r->n);
    if (at < r->n) nd_fail(r, at, "there is more after the end");
  }
  if (r->fault != NULL) r->limit = r->fault_at;
}

/* The keys of all actions, each once, and where each input finds its own. */
static int nd_gather_codes(nd_reader *r, nodulum_layout *l) {
  int total = 0, i, k, c;
  for (i = 0; i < l->actions.count; i += 1) total += ((nd_action *)l->actions.items)[i].keys.count;
  l->codes = (const char **)nd_room(r, (size_t)total * sizeof(const char *));
  if (l->codes == NULL && total > 0) return 0;
  for (i = 0; i < l->actions.count; i += 1) {
    nd_action *action = (nd_action *)l->actions.items + i;
    for (k = 0; k < action->keys.count; k += 1) {
      nd_input *input = (nd_input *)action->keys.items + k;
      for (c = 0; c < l->code_count && strcmp(l->codes[c], input->key) != 0; c += 1) continue;
      if (c == l->code_count) l->codes[l->code_count++] = input->key;
      input->code = c;
    }
  }
  return 1;
}

/* Whether something is fired by letting a stick go. */
static void nd_find_aims(nd_control *control) {
  int i;
  for (i = 0; i < control->serves.count; i += 1) {
    int port = ((const nd_serve *)control->serves.items)[i].port;
    if (control->kind == NODULUM_STICK && (port == ND_P_RELEASED || port == ND_P_AIM)) control->aims = 1;
  }
}

size_t nodulum_measure(const char *json, size_t length) {
  nd_reader r;
  size_t at = 0;
  if (json == NULL || length > ND_MOST_BYTES) return sizeof(nodulum_layout);
  nd_open(&r, json, length, NULL, 0);
  nd_space(&r, &at, r.limit);
  (void)nd_room(&r, sizeof(nodulum_layout));
  if (at < r.limit && nd_is_open(&r, at)) (void)nd_walk(&r, &nd_played, at, nd_behind(&r, at), NULL, NULL);
  /* For the keys of all actions, gathered at the end; they are among what has been counted. */
  return r.used + r.used / 8 + 256;
}

nodulum_layout *nodulum_read(const char *json, size_t length, void *memory, size_t size, nodulum_error *error) {
  nd_reader r;
  size_t at = 0, end;
  int i;
  nodulum_layout *l;
  if (json == NULL) return nd_refuse(error, 0, "", "there is no file");
  if (length > ND_MOST_BYTES) return nd_refuse(error, 0, "", "the file is larger than 16 MiB");
  if (memory == NULL || size < sizeof(nodulum_layout)) return nd_refuse(error, 0, "", "there is too little memory; nodulum_measure says how much is wanted");
  nd_open(&r, json, length, memory, size);
  l = (nodulum_layout *)nd_room(&r, sizeof(nodulum_layout));
  nd_space(&r, &at, r.limit);
  if (at < r.limit && (nd_is_open(&r, at) || nd_behind(&r, at) != ND_NONE)) {
    end = nd_behind(&r, at);
    (void)nd_walk(&r, &nd_played, at, end, (unsigned char *)l, NULL);
    if (r.full) return nd_refuse(error, 0, "", "there is too little memory; nodulum_measure says how much is wanted");
    if (end != ND_NONE) nd_look_up(&r, at, l);
  }
  if (r.fault != NULL && (!r.wrong || r.fault_at <= r.wrong_at)) {
    char path[40] = "byte ";
    nd_append_whole(path, sizeof(path), (unsigned long)r.fault_at);
    return nd_refuse(error, r.fault_at, path, r.fault);
  }
  if (r.wrong) {
    char path[192];
    nd_path(&r, at, r.wrong_node, path, sizeof(path));
    if (r.wrong_has_key && path[0] != 0) nd_append(path, sizeof(path), ".");
    nd_append(path, sizeof(path), r.wrong_key);
    return nd_refuse(error, r.wrong_at, path, r.words);
  }
  if (!nd_gather_codes(&r, l)) return nd_refuse(error, 0, "", "there is too little memory; nodulum_measure says how much is wanted");
  for (i = 0; i < l->controls.count; i += 1) nd_find_aims((nd_control *)l->controls.items + i);
  return l;
}

/* ---- What a layout says of itself ------------------------------------------------------------------------------------------------------------- */

const char *nodulum_name(const nodulum_layout *layout) { return layout->name; }
const char *nodulum_digest(const nodulum_layout *layout) { return layout->digest; }
int nodulum_action_count(const nodulum_layout *layout) { return layout->actions.count; }
static const nd_action *nd_action_at(const nodulum_layout *l, int i) { return i >= 0 && i < l->actions.count ? (const nd_action *)l->actions.items + i : NULL; }
const char *nodulum_action_name(const nodulum_layout *layout, int index) {
  const nd_action *action = nd_action_at(layout, index);
  return action == NULL ? NULL : action->name;
}
int nodulum_action_kind(const nodulum_layout *layout, int index) {
  const nd_action *action = nd_action_at(layout, index);
  return action == NULL ? -1 : action->kind;
}
int nodulum_action_index(const nodulum_layout *layout, const char *name) {
  int i;
  for (i = 0; name != NULL && i < layout->actions.count; i += 1)
    if (strcmp(nd_action_at(layout, i)->name, name) == 0) return i;
  return -1;
}
int nodulum_moment_count(const nodulum_layout *layout) { return layout->moments.count; }
const char *nodulum_moment_id(const nodulum_layout *layout, int index) {
  return index >= 0 && index < layout->moments.count ? ((const nd_named *)layout->moments.items)[index].id : NULL;
}
void nodulum_player_sizes(const nodulum_layout *layout, double *least, double *greatest) {
  *least = layout->least_size;
  *greatest = layout->greatest_size;
}

/* The place of a moment; -1 for none (NULL), -2 for one that the layout lacks. */
static int nd_moment_at(const nodulum_layout *l, const char *moment) {
  int i;
  if (moment == NULL) return -1;
  for (i = 0; i < l->moments.count; i += 1)
    if (strcmp(((const nd_named *)l->moments.items)[i].id, moment) == 0) return i;
  return -2;
}

/* The moments of a list of ids, a bit each. */
static uint32_t nd_moments_of(const nodulum_layout *l, const nd_list *ids) {
  uint32_t bits = 0;
  int i;
  for (i = 0; i < ids->count; i += 1) {
    int at = nd_moment_at(l, ((const char **)ids->items)[i]);
    if (at >= 0) bits |= (uint32_t)1 << at;
  }
  return bits;
}

/* ---- Where everything stands ---------------------------------------------------------------------------------------------------------------------- */

typedef struct nd_shape_box {
  int shape, unused;
  nodulum_box box;
} nd_shape_box;

/* A control on the screen. `area`: where a touch is taken. */
typedef struct nd_ready {
  const nd_control *control;
  nodulum_box visual;
  nd_shape_box hit, area;
  double k, travel, x, y;
  uint32_t moments;
  int own, has_landing, path;
} nd_ready;

/* What a control's port gives to an action. `repeat`: its place among the state's, -1 for none. */
typedef struct nd_source {
  int control, kind, port, repeat;
  double value[2], scale[2];
  double delay_ms, interval_ms, rest_ms;
} nd_source;

typedef struct nd_feed {
  int first, count, smooth, unused;
} nd_feed;

typedef struct nd_room_of {
  const char *id;
  nodulum_box box;
  double k;
} nd_room_of;

typedef struct nd_clear {
  const nd_zone *zone;
  nodulum_box box;
  uint32_t moments;
  int unused;
} nd_clear;

struct nodulum_placed {
  const nodulum_layout *layout;
  const nd_arrangement *arrangement;
  double unit_px, mm_px, width, height;
  /* What tells this placing from others: a state goes on only where it is the same. */
  uint64_t mark;
  nd_ready *controls;
  nd_source *sources;
  nd_feed *feeds;
  nd_room_of *clusters;
  nd_clear *zones;
  int control_count, source_count, cluster_count, zone_count, repeat_count, path_count, slides, unused;
  /* The buttons that can be slid into, a bit each. */
  uint64_t slide_in[4];
};

/* What one of each unit comes to, px. */
typedef struct nd_ruler {
  double one[7];
} nd_ruler;

typedef struct nd_frame_of {
  nodulum_box box;
  nd_ruler ruler;
  double k;
} nd_frame_of;

typedef struct nd_meter {
  double unit_px, mm_px;
  int mirrored, unused;
  nd_frame_of frames[3];
} nd_meter;

static double nd_clamp_to(double value, double low, double high) { return value < low ? low : value > high ? high : value; }
static double nd_magnitude(double x, double y) { return sqrt(x * x + y * y); }
static double nd_least(double a, double b) { return a < b ? a : b; }
static double nd_most(double a, double b) { return a > b ? a : b; }
static double nd_bounded(double n) { return n != n ? 0 : nd_clamp_to(n, -ND_FARTHEST, ND_FARTHEST); }

static nodulum_box nd_box(double x, double y, double w, double h) {
  nodulum_box box;
  box.x = x;
  box.y = y;
  box.w = w;
  box.h = h;
  return box;
}

/* A box and its K, kept within the farthest where absurd lengths overflow. */
static nodulum_box nd_held(nodulum_box box, double *k) {
  if (fabs(box.x) + fabs(box.y) + box.w + box.h + *k < ND_FARTHEST) return box;
  *k = nd_bounded(*k);
  return nd_box(nd_bounded(box.x), nd_bounded(box.y), nd_bounded(box.w), nd_bounded(box.h));
}

static nd_ruler nd_ruler_of(nodulum_box box, const nd_meter *m, double absolute) {
  nd_ruler ruler;
  ruler.one[0] = m->unit_px * absolute;
  ruler.one[1] = m->mm_px * absolute;
  ruler.one[2] = absolute;
  ruler.one[3] = box.w * 0.01;
  ruler.one[4] = box.h * 0.01;
  ruler.one[5] = nd_least(box.w, box.h) * 0.01;
  ruler.one[6] = nd_most(box.w, box.h) * 0.01;
  return ruler;
}
static double nd_px(nd_len length, const nd_ruler *ruler) { return length.amount * ruler->one[length.unit]; }

static nodulum_box nd_place_pin(const nd_place *p, const nd_frame_of *f, const nd_meter *m, double size, double *k) {
  double w = nd_px(p->len[2], &f->ruler) * size, h = nd_px(p->len[3], &f->ruler) * size, c = 1, dx, dy, x;
  if (p->has_clamp) {
    double d = nd_least(w, h) / m->mm_px;
    if (p->has_min && d < p->min_mm) c = p->min_mm / d;
    else if (p->has_max && d > p->max_mm) c = p->max_mm / d;
    w *= c;
    h *= c;
  }
  dx = nd_px(p->len[0], &f->ruler);
  dy = nd_px(p->len[1], &f->ruler);
  x = m->mirrored ? f->box.x + (1 - p->a[0]) * f->box.w - dx - (1 - p->b[0]) * w : f->box.x + p->a[0] * f->box.w + dx - p->b[0] * w;
  *k = f->k * size * c;
  return nd_held(nd_box(x, f->box.y + p->a[1] * f->box.h + dy - p->b[1] * h, w, h), k);
}

static nodulum_box nd_place_span(const nd_place *p, const nd_frame_of *f, const nd_meter *m, double *k) {
  double fx = m->mirrored ? 1 - p->b[0] : p->a[0], tx = m->mirrored ? 1 - p->a[0] : p->b[0];
  double left = f->box.x + fx * f->box.w + nd_px(p->len[m->mirrored ? 2 : 0], &f->ruler);
  double right = f->box.x + tx * f->box.w - nd_px(p->len[m->mirrored ? 0 : 2], &f->ruler);
  double top = f->box.y + p->a[1] * f->box.h + nd_px(p->len[1], &f->ruler);
  double bottom = f->box.y + p->b[1] * f->box.h - nd_px(p->len[3], &f->ruler);
  if (right < left) left = right = (left + right) / 2;
  if (bottom < top) top = bottom = (top + bottom) / 2;
  *k = 1;
  return nd_held(nd_box(left, top, right - left, bottom - top), k);
}

/* A placement in one of the screen's own frames. */
static nodulum_box nd_place_plain(const nd_place *p, const nd_meter *m, double size, double *k) {
  const nd_frame_of *f = &m->frames[p->frame == ND_CLUSTER ? ND_SCREEN : p->frame];
  return p->kind == ND_SPAN ? nd_place_span(p, f, m, k) : nd_place_pin(p, f, m, size, k);
}

static double nd_ratio(const nodulum_layout *l, double w, double h) {
  switch (l->of) {
    case 0:
      return nd_least(w, h) / nd_least(l->width, l->height);
    case 1:
      return nd_most(w, h) / nd_most(l->width, l->height);
    case 2:
      return sqrt((w * h) / (l->width * l->height));
    case 3:
      return w / l->width;
    case 4:
      return h / l->height;
    case 5:
      return nd_least(w / l->width, h / l->height);
    default:
      return nd_most(w / l->width, h / l->height);
  }
}

static void nd_meter_of(nd_meter *m, const nodulum_layout *l, const nodulum_screen *s, int mirrored) {
  double by_mm, by_share, own = s->width / s->height, aspect = own, pw = s->width, ph = s->height;
  nodulum_box boxes[3];
  int i;
  memset(m, 0, sizeof(*m));
  m->mm_px = s->ppi / 25.4;
  m->mirrored = mirrored;
  by_mm = l->mm_per_unit * m->mm_px;
  by_share = nd_ratio(l, s->width, s->height);
  m->unit_px = nd_bounded(l->share == 0 ? by_mm : l->share == 1 ? by_share : pow(by_mm, 1 - l->share) * pow(by_share, l->share));
  boxes[ND_SCREEN] = nd_box(0, 0, s->width, s->height);
  boxes[ND_SAFE] = nd_box(s->left, s->top, nd_most(0, s->width - s->left - s->right), nd_most(0, s->height - s->top - s->bottom));
  if (l->has_picture) {
    aspect = nd_least(nd_most(own, l->min_aspect), l->max_aspect);
    if (aspect < own) pw = s->height * aspect;
    if (aspect > own) ph = s->width / aspect;
  }
  boxes[ND_PICTURE] = nd_box((s->width - pw) / 2, (s->height - ph) / 2, pw, ph);
  for (i = 0; i < 3; i += 1) {
    m->frames[i].box = boxes[i];
    m->frames[i].ruler = nd_ruler_of(boxes[i], m, 1);
    m->frames[i].k = 1;
  }
}

static int nd_within(int has, int has_min, double min, int has_max, double max, double value) {
  if (!has) return 1;
  if (has_min && value < min - ND_LENGTH_SLACK) return 0;
  return !has_max || value < max - ND_LENGTH_SLACK;
}

static const nd_arrangement *nd_arrangement_for(const nodulum_layout *l, const nodulum_screen *s) {
  double aspect = s->width / s->height, side = nd_least(s->width, s->height) / (s->ppi / 25.4);
  int i;
  for (i = 0; i < l->arrangements.count; i += 1) {
    const nd_arrangement *a = (const nd_arrangement *)l->arrangements.items + i;
    if (nd_within(a->has_aspect, a->has_min_aspect, a->min_aspect, a->has_max_aspect, a->max_aspect, aspect) &&
        nd_within(a->has_side, a->has_min_side, a->min_side, a->has_max_side, a->max_side, side))
      return a;
  }
  return NULL;
}

static const nd_override *nd_override_of(const nd_arrangement *a, const char *id) {
  int i;
  for (i = 0; a != NULL && i < a->overrides.count; i += 1)
    if (strcmp(((const nd_override *)a->overrides.items)[i].id, id) == 0) return (const nd_override *)a->overrides.items + i;
  return NULL;
}

static nd_shape_box nd_hit_of(const nd_hit *hit, nodulum_box visual, const nd_ruler *own, const nd_meter *m) {
  double least = hit->min_mm * m->mm_px, grow = nd_px(hit->grow, own), one = 1;
  double w = nd_most(nd_most(0, (hit->has_size ? nd_px(hit->size[0], own) : visual.w) + 2 * grow), least);
  double h = nd_most(nd_most(0, (hit->has_size ? nd_px(hit->size[1], own) : visual.h) + 2 * grow), least);
  double x = visual.x + visual.w / 2 + nd_px(hit->shift[0], own) * (m->mirrored ? -1 : 1) - w / 2;
  double y = visual.y + visual.h / 2 + nd_px(hit->shift[1], own) - h / 2;
  nd_shape_box area;
  area.shape = hit->shape;
  area.unused = 0;
  area.box = nd_held(nd_box(x, y, w, h), &one);
  if (!hit->has_size && hit->min_mm == 0 && hit->grow.amount == 0 && hit->shift[0].amount == 0 && hit->shift[1].amount == 0) area.box = visual;
  return area;
}

/* What a port carries, and whether the table joins it with a kind of action. */
enum { ND_C_PRESS, ND_C_NUMBER, ND_C_VECTOR, ND_C_MOTION, ND_C_CHANGE };
static int nd_carries(int port) {
  switch (port) {
    case ND_P_VECTOR:
    case ND_P_AIM:
      return ND_C_VECTOR;
    case ND_P_MOTION:
      return ND_C_MOTION;
    case ND_P_X:
    case ND_P_Y:
      return ND_C_NUMBER;
    case ND_P_DX:
    case ND_P_DY:
    case ND_P_TURN:
      return ND_C_CHANGE;
    default:
      return ND_C_PRESS;
  }
}
/* Whether a kind of control has a port: a bit for each port of each kind. */
static int nd_has_port(int control, int port) {
#define ND_BIT(p) (1ul << ND_P_##p)
#define ND_WAYS_OF (ND_BIT(UP) | ND_BIT(DOWN) | ND_BIT(LEFT) | ND_BIT(RIGHT))
#define ND_DPAD_PORTS (ND_BIT(VECTOR) | ND_BIT(X) | ND_BIT(Y) | ND_WAYS_OF | ND_BIT(HELD) | ND_BIT(ACTIVE))
  static const unsigned long ports[] = {ND_DPAD_PORTS | ND_BIT(TAPPED) | ND_BIT(RELEASED) | ND_BIT(AIM),
                                        ND_DPAD_PORTS,
                                        ND_BIT(PRESS),
                                        ND_BIT(MOTION) | ND_BIT(DX) | ND_BIT(DY) | ND_BIT(HELD) | ND_BIT(TAPPED),
                                        ND_BIT(VECTOR) | ND_WAYS_OF | ND_BIT(TAPPED),
                                        ND_BIT(X) | ND_BIT(LEFT) | ND_BIT(RIGHT) | ND_BIT(HELD) | ND_BIT(ACTIVE) | ND_BIT(TAPPED) | ND_BIT(TURN)};
#undef ND_BIT
#undef ND_WAYS_OF
#undef ND_DPAD_PORTS
  return (int)((ports[control] >> port) & 1ul);
}
static int nd_gives(int control, const nd_serve *s, int kind) {
  int carries = nd_carries(s->port);
  if (!nd_has_port(control, s->port)) return 0;
  switch (kind) {
    case NODULUM_PRESS:
      return carries == ND_C_PRESS;
    case NODULUM_AXIS:
      return carries == ND_C_NUMBER || (carries == ND_C_PRESS && !(s->has_value && s->value_two));
    case NODULUM_VECTOR:
      return carries == ND_C_VECTOR || (carries == ND_C_PRESS && s->has_value && s->value_two);
    case NODULUM_DELTA:
      return carries == ND_C_CHANGE || (carries == ND_C_NUMBER && s->has_scale);
    default:
      return carries == ND_C_MOTION || (carries == ND_C_VECTOR && s->has_scale);
  }
}

static size_t nd_most_sources(const nodulum_layout *l) {
  size_t total = 0;
  int i;
  for (i = 0; i < l->controls.count; i += 1) total += (size_t)((const nd_control *)l->controls.items)[i].serves.count;
  return total;
}

size_t nodulum_place_size(const nodulum_layout *layout) {
  return sizeof(nodulum_placed) + (size_t)layout->controls.count * sizeof(nd_ready) + nd_most_sources(layout) * sizeof(nd_source) +
         (size_t)layout->actions.count * sizeof(nd_feed) + (size_t)layout->clusters.count * sizeof(nd_room_of) + (size_t)layout->zones.count * sizeof(nd_clear) + 64;
}

/* Whether a number can be reckoned with. */
static int nd_is_finite(double n) { return n - n == 0; }

static void nd_place_control(nodulum_placed *p, const nd_control *control, const nd_meter *m, double player_size) {
  const nd_override *o = nd_override_of(p->arrangement, control->id);
  const nd_place *place = o != NULL && o->has_place ? &o->place : &control->place;
  const nd_hit *hit = o != NULL && o->has_hit ? &o->hit : &control->hit;
  const nd_place *landing = o != NULL && o->has_landing ? &o->landing : control->has_landing ? control->landing : NULL;
  nd_ready *ready;
  nd_ruler own;
  double k = 1;
  if (o != NULL && o->hidden) return;
  ready = &p->controls[p->control_count];
  memset(ready, 0, sizeof(*ready));
  if (place->kind == ND_PIN && place->frame == ND_CLUSTER) {
    nd_frame_of home;
    int i;
    for (i = 0; i < p->cluster_count && strcmp(p->clusters[i].id, place->cluster) != 0; i += 1) continue;
    if (i == p->cluster_count) return;
    home.box = p->clusters[i].box;
    home.k = p->clusters[i].k;
    home.ruler = nd_ruler_of(home.box, m, home.k);
    ready->visual = nd_place_pin(place, &home, m, 1, &k);
  } else ready->visual = nd_place_plain(place, m, player_size, &k);
  own = nd_ruler_of(ready->visual, m, k);
  ready->control = control;
  ready->k = k;
  ready->hit = nd_hit_of(hit, ready->visual, &own, m);
  ready->area = ready->hit;
  ready->own = hit->sharing == 0;
  ready->moments = nd_moments_of(p->layout, &control->moments);
  ready->x = ready->visual.x + ready->visual.w / 2;
  ready->y = ready->visual.y + ready->visual.h / 2;
  ready->travel = -1;
  ready->path = -1;
  if (control->kind == NODULUM_STICK) {
    ready->travel = nd_bounded(nd_px(control->travel, &own));
    if (landing != NULL && control->word[ND_ORIGIN] != 0) {
      double one = 1;
      ready->has_landing = 1;
      ready->area.shape = NODULUM_RECTANGLE;
      ready->area.box = nd_place_plain(landing, m, 1, &one);
    }
  }
  if (control->kind == NODULUM_SWIPE && control->within_ms > 0) ready->path = p->path_count++;
  if (control->kind == NODULUM_BUTTON && control->word[ND_SLIDE_IN]) {
    p->slides = 1;
    p->slide_in[p->control_count >> 6] |= (uint64_t)1 << (p->control_count & 63);
  }
  p->control_count += 1;
}

static void nd_place_sources(nodulum_placed *p) {
  const nodulum_layout *l = p->layout;
  int i, c, s;
  for (i = 0; i < l->actions.count; i += 1) {
    const nd_action *action = nd_action_at(l, i);
    nd_feed *feed = &p->feeds[i];
    feed->first = p->source_count;
    feed->unused = 0;
    feed->smooth = (action->kind == NODULUM_AXIS || action->kind == NODULUM_VECTOR) && (action->rise_ms > 0 || action->fall_ms > 0);
    for (c = 0; c < p->control_count; c += 1) {
      const nd_control *control = p->controls[c].control;
      for (s = 0; s < control->serves.count; s += 1) {
        const nd_serve *serve = (const nd_serve *)control->serves.items + s;
        nd_source *source = &p->sources[p->source_count];
        if (strcmp(serve->action, action->name) != 0 || !nd_gives(control->kind, serve, action->kind)) continue;
        memset(source, 0, sizeof(*source));
        source->control = c;
        source->kind = action->kind;
        source->port = serve->port;
        source->repeat = serve->has_repeat && action->kind == NODULUM_PRESS ? p->repeat_count++ : -1;
        source->value[0] = serve->has_value ? serve->value[0] : 1;
        source->value[1] = serve->has_value ? serve->value[1] : 1;
        source->scale[0] = serve->has_scale ? serve->scale[0] : 1;
        source->scale[1] = serve->has_scale ? serve->scale[1] : 1;
        source->delay_ms = serve->delay_ms;
        source->interval_ms = serve->interval_ms;
        source->rest_ms = serve->rest_ms;
        p->source_count += 1;
      }
    }
    feed->count = p->source_count - feed->first;
  }
}

/* FNV-1a (Fowler, Noll, Vo): a number out of bytes. */
static uint64_t nd_mark(uint64_t mark, const void *bytes, size_t length) {
  const unsigned char *b = (const unsigned char *)bytes;
  size_t i;
  for (i = 0; i < length; i += 1) mark = (mark ^ b[i]) * 1099511628211u;
  return mark;
}

static uint64_t nd_mark_of(const nodulum_layout *layout, const nodulum_screen *s, int mirrored, double player_size) {
  double figures[9];
  int i;
  figures[0] = s->width;
  figures[1] = s->height;
  figures[2] = s->ppi;
  figures[3] = s->left;
  figures[4] = s->top;
  figures[5] = s->right;
  figures[6] = s->bottom;
  figures[7] = mirrored;
  figures[8] = player_size;
  /* Zero is zero, whatever its sign. */
  for (i = 0; i < 9; i += 1) figures[i] += 0.0;
  return nd_mark(nd_mark(14695981039346656037u, layout->digest, strlen(layout->digest)), figures, sizeof(figures));
}

nodulum_placed *nodulum_place(const nodulum_layout *layout, const nodulum_screen *screen, const nodulum_view *view, void *memory, size_t size) {
  nodulum_placed *p = (nodulum_placed *)memory;
  unsigned char *at = (unsigned char *)memory + ((sizeof(nodulum_placed) + 7u) & ~(size_t)7u);
  nd_meter m;
  double player_size = view == NULL ? 1 : view->player_size;
  int i, mirrored = view != NULL && view->left_handed;
  if (memory == NULL || size < nodulum_place_size(layout) || !(screen->width > 0) || !(screen->height > 0) || !(screen->ppi > 0)) return NULL;
  if (!nd_is_finite(screen->width + screen->height + screen->ppi + screen->left + screen->top + screen->right + screen->bottom + player_size)) return NULL;
  memset(p, 0, sizeof(*p));
  p->layout = layout;
  p->arrangement = nd_arrangement_for(layout, screen);
  p->mark = nd_mark_of(layout, screen, mirrored, player_size);
  p->width = screen->width;
  p->height = screen->height;
#define ND_TAKE(field, type, n) \
  p->field = (type *)(void *)at; \
  at += (n) * sizeof(type)
  ND_TAKE(controls, nd_ready, (size_t)layout->controls.count);
  ND_TAKE(sources, nd_source, nd_most_sources(layout));
  ND_TAKE(feeds, nd_feed, (size_t)layout->actions.count);
  ND_TAKE(clusters, nd_room_of, (size_t)layout->clusters.count);
  ND_TAKE(zones, nd_clear, (size_t)layout->zones.count);
#undef ND_TAKE
  nd_meter_of(&m, layout, screen, mirrored);
  p->unit_px = m.unit_px;
  p->mm_px = m.mm_px;
  for (i = 0; i < layout->clusters.count; i += 1) {
    const nd_cluster *cluster = (const nd_cluster *)layout->clusters.items + i;
    const nd_override *o = nd_override_of(p->arrangement, cluster->id);
    nd_room_of *home = &p->clusters[p->cluster_count];
    if (o != NULL && o->hidden) continue;
    home->id = cluster->id;
    home->box = nd_place_plain(o != NULL && o->has_place ? &o->place : &cluster->place, &m, player_size, &home->k);
    p->cluster_count += 1;
  }
  for (i = 0; i < layout->controls.count; i += 1) nd_place_control(p, (const nd_control *)layout->controls.items + i, &m, player_size);
  /* Zones are the game's own: no hand mirrors them. */
  m.mirrored = 0;
  for (i = 0; i < layout->zones.count; i += 1) {
    const nd_zone *zone = (const nd_zone *)layout->zones.items + i;
    const nd_override *o = nd_override_of(p->arrangement, zone->id);
    nd_clear *clear = &p->zones[p->zone_count];
    double one = 1;
    if (o != NULL && o->hidden) continue;
    clear->zone = zone;
    clear->unused = 0;
    clear->moments = nd_moments_of(layout, &zone->moments);
    clear->box = nd_place_plain(o != NULL && o->has_place ? &o->place : &zone->place, &m, 1, &one);
    p->zone_count += 1;
  }
  nd_place_sources(p);
  return p;
}

double nodulum_scale(const nodulum_placed *placed) { return placed->unit_px; }
const char *nodulum_arrangement(const nodulum_placed *placed) { return placed->arrangement == NULL ? NULL : placed->arrangement->id; }
int nodulum_control_count(const nodulum_placed *placed) { return placed->control_count; }
int nodulum_control_at(const nodulum_placed *placed, int index, nodulum_control *out) {
  const nd_ready *ready;
  if (index < 0 || index >= placed->control_count) return 0;
  ready = &placed->controls[index];
  memset(out, 0, sizeof(*out));
  out->id = ready->control->id;
  out->name = ready->control->name;
  out->label = ready->control->label;
  out->icon = ready->control->icon;
  out->kind = ready->control->kind;
  out->shape = ready->hit.shape;
  out->visual = ready->visual;
  out->hit = ready->hit.box;
  if (ready->has_landing) out->landing = ready->area.box;
  out->k = ready->k;
  out->travel = ready->travel;
  return 1;
}
static int nd_in_moment(const nodulum_placed *p, uint32_t moments, const char *moment) {
  int at = nd_moment_at(p->layout, moment);
  return at == -1 || (at >= 0 && ((moments >> at) & 1u));
}
int nodulum_control_in(const nodulum_placed *placed, int index, const char *moment) {
  return index >= 0 && index < placed->control_count && nd_in_moment(placed, placed->controls[index].moments, moment);
}
int nodulum_cluster_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box, double *k) {
  if (index < 0 || index >= placed->cluster_count) return 0;
  *id = placed->clusters[index].id;
  *box = placed->clusters[index].box;
  *k = placed->clusters[index].k;
  return 1;
}
int nodulum_zone_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box) {
  if (index < 0 || index >= placed->zone_count) return 0;
  *id = placed->zones[index].zone->id;
  *box = placed->zones[index].box;
  return 1;
}
int nodulum_zone_in(const nodulum_placed *placed, int index, const char *moment) {
  return index >= 0 && index < placed->zone_count && nd_in_moment(placed, placed->zones[index].moments, moment);
}

/* ---- The state between two ticks ---------------------------------------------------------------------------------------------------------------------- */

typedef struct nd_point {
  double t, x, y;
} nd_point_at;

/* A swipe's way, for those with a time limit: a ring of points, oldest first. */
typedef struct nd_path_of {
  int first, count;
  nd_point_at points[NODULUM_PATH];
} nd_path_of;

enum { ND_UP_BIT = 1, ND_DOWN_BIT = 2, ND_LEFT_BIT = 4, ND_RIGHT_BIT = 8 };

/* Where a lever or a dial stands: a lever's deflection, a part of its travel, the direction in force and what it gives; a dial's turn (x), degrees; the ports
   of both. `set`: it was left there. */
typedef struct nd_stand {
  double x, y, vx, vy;
  int direction, ports, set, unused;
} nd_stand;

/* A control of any kind. Held: by which touch, and what it gives; what came and went since the last tick is owed to the next (`tap`). */
typedef struct nd_own {
  int held, touch, seen, tap;
  /* a stick's and a d-pad's direction, -1 for none; a stick's and a dial's ports */
  int direction, ports, tap_direction, tap_ports;
  /* vx, vy: what a stick gives; how far a touchpad was swept, or a dial turned (vx), since the last tick */
  double x, y, origin_x, origin_y, vx, vy, tap_x, tap_y;
  /* where its touch came down, and whether it stayed near; what a tap and a stick that was let go owe to the next tick */
  double down_t, down_x, down_y, released_x, released_y;
  int near, owes_tapped, owes_released, has_angle;
  /* a dial's turn and the angle that was read last, degrees */
  double deg, angle;
  /* a lever and a dial: where it was left; where a cancel brings it back to */
  nd_stand place, mark;
  /* a button */
  int contacts, pressed, is_double, press_seen, long_seen, latched, has_previous, had_previous;
  int owes_tap, owes_release, owes_long, owes_double;
  double start, previous, before;
  /* a swipe */
  int has_fire, fire_seen, done, owes_fire;
  double start_t, start_x, start_y, fire_x, fire_y, owed_x, owed_y;
  /* what is drawn: when it was last held, and how it then lay */
  int was_let_go, unused;
  double last_held, left_x, left_y, left_base_x, left_base_y;
} nd_own;

/* A touch: the caller's id, and the number that controls know it by, which no other touch has. */
typedef struct nd_touch {
  int64_t given;
  int32_t id;
  int unused;
  double x, y;
  /* The controls it holds, a bit each, and those it slid into. */
  uint64_t holds[4], slid[4];
} nd_touch;

typedef struct nd_repeating {
  int has_first, waits, has_last, unused;
  double first, pending, last;
} nd_repeating;

typedef struct nd_value {
  double x, y;
  /* now, and at the tick before */
  int press, before;
} nd_value;

/* A key or button: down, seen so by a tick, came and went since the last one. */
typedef struct nd_switch {
  unsigned char down, seen, tap;
} nd_switch;

struct nodulum_state {
  double time, mouse_x, mouse_y;
  uint64_t mark;
  int time_faults, unused;
  int moment, on, touch_count, has_pad, control_count, action_count, repeat_count, code_count;
  double pad_buttons[64], pad_axes[64];
  nd_touch touches[NODULUM_TOUCHES];
  nd_switch mouse[32];
  /* After it: controls, repeats, smoothed and given values, paths, hidden flags, keys, what the game says of controls. */
};

/* What the game says of a control. */
typedef struct nd_said {
  int is_off, has_count, count, has_word, has_icon, unused;
  double cooldown;
  char word[NODULUM_WORD + 1], icon[NODULUM_WORD + 1];
} nd_said;

/* Where the parts of a state's block begin. */
typedef struct nd_parts {
  nd_own *controls;
  nd_repeating *repeats;
  nd_value *smoothed, *given;
  nd_path_of *paths;
  unsigned char *hidden;
  nd_switch *codes;
  nd_said *said;
  size_t size;
} nd_parts;

static void nd_parts_of(nd_parts *parts, const nodulum_placed *p, nodulum_state *state) {
  unsigned char *base = (unsigned char *)state;
  size_t at = (sizeof(nodulum_state) + 7u) & ~(size_t)7u;
#define ND_PART(field, type, n) \
  parts->field = base == NULL ? NULL : (type *)(void *)(base + at); \
  at = (at + (size_t)(n) * sizeof(type) + 7u) & ~(size_t)7u
  ND_PART(controls, nd_own, p->control_count);
  ND_PART(repeats, nd_repeating, p->repeat_count);
  ND_PART(smoothed, nd_value, p->layout->actions.count);
  ND_PART(given, nd_value, p->layout->actions.count);
  ND_PART(paths, nd_path_of, p->path_count);
  ND_PART(hidden, unsigned char, p->layout->controls.count);
  ND_PART(codes, nd_switch, p->layout->code_count);
  ND_PART(said, nd_said, p->control_count);
#undef ND_PART
  parts->size = at;
}

size_t nodulum_state_size(const nodulum_placed *placed) {
  nd_parts parts;
  nd_parts_of(&parts, placed, NULL);
  return parts.size;
}

nodulum_state *nodulum_begin(const nodulum_placed *placed, const char *moment, void *memory, size_t size) {
  nodulum_state *state = (nodulum_state *)memory;
  nd_parts parts;
  int i, at = nd_moment_at(placed->layout, moment);
  nd_parts_of(&parts, placed, state);
  if (memory == NULL || size < parts.size || at == -2) return NULL;
  memset(memory, 0, parts.size);
  state->mark = placed->mark;
  state->moment = at;
  state->on = 1;
  state->control_count = placed->control_count;
  state->action_count = placed->layout->actions.count;
  state->repeat_count = placed->repeat_count;
  state->code_count = placed->layout->code_count;
  for (i = 0; i < placed->control_count; i += 1) {
    nd_own *own = &parts.controls[i];
    own->direction = own->tap_direction = own->place.direction = own->mark.direction = -1;
  }
  return state;
}

/* What is worked on in a tick. */
typedef struct nd_work {
  const nodulum_placed *p;
  nodulum_state *s;
  nd_parts at;
} nd_work;

/* The place of a control in the file, by its place on the screen. */
static int nd_layout_index(const nodulum_placed *p, int i) { return (int)(p->controls[i].control - (const nd_control *)p->layout->controls.items); }

static int nd_is_shown(const nd_work *w, int i) {
  return w->s->on && !w->at.hidden[nd_layout_index(w->p, i)] && (w->s->moment < 0 || ((w->p->controls[i].moments >> w->s->moment) & 1u));
}

static int nd_contains(const nd_shape_box *shape, double x, double y) {
  double half_w = shape->box.w / 2, half_h = shape->box.h / 2;
  double dx = fabs(x - (shape->box.x + half_w)), dy = fabs(y - (shape->box.y + half_h));
  double least = nd_least(half_w, half_h);
  if (dx > half_w + ND_LENGTH_SLACK || dy > half_h + ND_LENGTH_SLACK) return 0;
  if (shape->shape == NODULUM_RECTANGLE) return 1;
  if (shape->shape == NODULUM_ELLIPSE) return least <= 0 || nd_magnitude(dx / half_w, dy / half_h) <= 1 + ND_LENGTH_SLACK / least;
  return nd_magnitude(nd_most(0, dx - (half_w - least)), nd_most(0, dy - (half_h - least))) <= least + ND_LENGTH_SLACK;
}

/* ---- Angles and curves ---------------------------------------------------------------------------------------------------------------------------------------- */

static double nd_angle_of(double x, double y) { return atan2(y, x) * 180 / ND_PI; }
static double nd_apart(double a, double b) {
  double d = fabs(a - b);
  if (d >= 360) d = fmod(d, 360);
  return d > 180 ? 360 - d : d;
}
static int nd_within_port(double angle, double port, double extra) { return nd_apart(angle, port) <= 66 + extra + ND_ANGLE_SLACK; }
static int nd_snap(double angle, int n, int in_force, double hold) {
  double step = 360.0 / n, index;
  if (in_force >= 0 && nd_apart(angle, in_force * step) <= step / 2 + hold + ND_ANGLE_SLACK) return in_force;
  index = floor(angle / step + 0.5 + ND_ANGLE_SLACK / step);
  index = fmod(fmod(index, n) + n, n);
  return (int)index;
}
static void nd_unit_at(double angle, double *x, double *y) {
  double turn = fmod(fmod(angle, 360) + 360, 360);
  *x = turn == 0 ? 1 : turn == 180 ? -1 : turn == 90 || turn == 270 ? 0 : cos(turn * ND_PI / 180);
  *y = turn == 90 ? 1 : turn == 270 ? -1 : turn == 0 || turn == 180 ? 0 : sin(turn * ND_PI / 180);
}
static double nd_along(double a, double b, double t) { return 3 * (1 - t) * (1 - t) * t * a + 3 * (1 - t) * t * t * b + t * t * t; }
static double nd_bezier_at(const double *c, double x) {
  double low = 0, high = 1, t = x;
  int i;
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  for (i = 0; i < 60; i += 1) {
    double off = nd_along(c[0], c[2], t) - x, slope, newton;
    if (fabs(off) < 1e-14) break;
    if (off > 0) high = t;
    else low = t;
    slope = 3 * (1 - t) * (1 - t) * c[0] + 6 * (1 - t) * t * (c[2] - c[0]) + 3 * t * t * (1 - c[2]);
    newton = slope > 1e-9 ? t - off / slope : -1;
    t = newton > low && newton < high ? newton : (low + high) / 2;
  }
  return nd_along(c[1], c[3], t);
}
static double nd_curve_of(const nd_control *c, double argument) {
  double u = argument < ND_LENGTH_SLACK ? 0 : argument;
  switch (c->curve) {
    case 0:
      return u;
    case 1:
      return pow(u, c->curve_at[0]);
    case 2:
      return nd_clamp_to(nd_bezier_at(c->curve_at, u), 0, 1);
    default:
      return u > 0 ? 1 : 0;
  }
}

/* ---- Sticks ------------------------------------------------------------------------------------------------------------------------------------------------------ */

static void nd_from_origin(const nd_own *o, const nd_control *c, double *x, double *y) {
  *x = c->word[ND_AXES] == 2 ? 0 : o->x - o->origin_x;
  *y = c->word[ND_AXES] == 1 ? 0 : o->origin_y - o->y;
}

static void nd_deflection(const nd_own *o, const nd_ready *r, double *x, double *y) {
  double m;
  *x = *y = 0;
  if (!(r->travel > 0)) return;
  nd_from_origin(o, r->control, x, y);
  *x /= r->travel;
  *y /= r->travel;
  m = nd_magnitude(*x, *y);
  if (m > 1) {
    *x /= m;
    *y /= m;
  }
}

static double nd_roomy(double at, double travel, double side) { return side < 2 * travel ? side / 2 : nd_clamp_to(at, travel, side - travel); }

static void nd_stick_origin(nd_own *o, const nd_ready *r, const nodulum_placed *p) {
  const nd_control *c = r->control;
  o->origin_x = o->x;
  o->origin_y = o->y;
  if (c->stays) {
    o->origin_x = o->x - o->place.x * r->travel;
    o->origin_y = o->y + o->place.y * r->travel;
  } else if (c->word[ND_ORIGIN] == 0 || (c->word[ND_ORIGIN] == 2 && c->word[ND_START] == 1)) {
    o->origin_x = r->x;
    o->origin_y = r->y;
  } else if (c->word[ND_ORIGIN] == 1) {
    double dx = nd_roomy(o->x, r->travel, p->width) - o->x, dy = nd_roomy(o->y, r->travel, p->height) - o->y;
    double far = nd_magnitude(dx, dy), most = c->inner * r->travel, part = far > most && far > 0 ? most / far : 1;
    o->origin_x = o->x + dx * part;
    o->origin_y = o->y + dy * part;
  }
}

static double nd_sign(double n) { return n > 0 ? 1 : n < 0 ? -1 : 0; }
static double nd_shaped(const nd_control *c, double m) { return nd_curve_of(c, nd_clamp_to((m - c->inner) / (c->outer - c->inner), 0, 1)); }

static void nd_stick_evaluate(nd_own *o, const nd_ready *r) {
  const nd_control *c = r->control;
  double dx, dy, vx = 0, vy = 0, m, angle;
  int ports = 0, k;
  static const int bits[] = {ND_RIGHT_BIT, ND_UP_BIT, ND_LEFT_BIT, ND_DOWN_BIT};
  nd_deflection(o, r, &dx, &dy);
  if (c->word[ND_DEAD_ZONE] == 0) {
    m = nd_magnitude(dx, dy);
    if (m > 0) {
      double s = nd_shaped(c, m);
      vx = s * dx / m;
      vy = s * dy / m;
    }
  } else {
    vx = nd_sign(dx) * nd_shaped(c, fabs(dx));
    vy = nd_sign(dy) * nd_shaped(c, fabs(dy));
    m = nd_magnitude(vx, vy);
    if (m > 1) {
      vx /= m;
      vy /= m;
    }
  }
  m = nd_magnitude(vx, vy);
  if (m > 0 && c->directions > 0 && c->word[ND_AXES] == 0) {
    double ux, uy;
    o->direction = nd_snap(nd_angle_of(vx, vy), (int)c->directions, o->direction, c->hold_deg);
    nd_unit_at(o->direction * 360 / c->directions, &ux, &uy);
    vx = m * ux;
    vy = m * uy;
  } else if (m == 0) o->direction = -1;
  o->vx = vx;
  o->vy = vy;
  m = nd_magnitude(vx, vy);
  angle = m > 0 ? nd_angle_of(vx, vy) : 0;
  for (k = 0; k < 4; k += 1) {
    int was = (o->ports & bits[k]) != 0;
    if (m > 0 && (was ? m >= c->release_at - ND_LENGTH_SLACK && nd_within_port(angle, k * 90, c->hold_deg) : m >= c->press_at - ND_LENGTH_SLACK && nd_within_port(angle, k * 90, 0)))
      ports |= bits[k];
  }
  o->ports = ports;
}

/* The thumb has moved: a trailing stick's origin follows it. */
static void nd_stick_follow(nd_own *o, const nd_ready *r) {
  if (r->control->word[ND_ORIGIN] == 2) {
    double ex, ey, far;
    nd_from_origin(o, r->control, &ex, &ey);
    far = nd_magnitude(ex, ey);
    if (far > r->travel) {
      double beyond = (far - r->travel) / far;
      o->origin_x += ex * beyond;
      o->origin_y -= ey * beyond;
    }
  }
  nd_stick_evaluate(o, r);
}

/* Where a held lever stands. */
static nd_stand nd_lever_stand(const nd_own *o, const nd_ready *r) {
  nd_stand stand = o->mark;
  if (r->travel > 0) nd_deflection(o, r, &stand.x, &stand.y);
  stand.direction = o->direction;
  stand.vx = o->vx;
  stand.vy = o->vy;
  stand.ports = o->ports;
  stand.set = 1;
  return stand;
}

/* ---- Dials and taps ------------------------------------------------------------------------------------------------------------------------------------------------- */

/* The angle of a point about the middle, degrees, counter-clockwise; 0 where it is not read. */
static int nd_dial_angle(const nd_ready *r, double x, double y, double *angle) {
  double far = nd_magnitude(x - r->x, y - r->y);
  if (far < r->control->neutral * nd_least(r->visual.w, r->visual.h) / 2 - ND_LENGTH_SLACK || far <= ND_LENGTH_SLACK) return 0;
  *angle = nd_angle_of(x - r->x, r->y - y);
  return 1;
}

static double nd_dial_value(const nd_control *c, double deg) {
  return nd_sign(deg) * nd_curve_of(c, nd_clamp_to((fabs(deg) / (c->range_deg / 2) - c->inner) / (1 - c->inner), 0, 1));
}

/* The direction ports of a dial where it stands, by those before. */
static void nd_dial_ports(nd_own *o, const nd_control *c) {
  double value = nd_dial_value(c, o->deg);
  o->ports = (value >= (o->ports & ND_RIGHT_BIT ? c->release_at : c->press_at) - ND_LENGTH_SLACK ? ND_RIGHT_BIT : 0) |
             (-value >= (o->ports & ND_LEFT_BIT ? c->release_at : c->press_at) - ND_LENGTH_SLACK ? ND_LEFT_BIT : 0);
}

static void nd_dial_turn(nd_own *o, const nd_ready *r, double x, double y) {
  const nd_control *c = r->control;
  double angle = 0;
  if (!nd_dial_angle(r, x, y, &angle)) return;
  if (o->has_angle) {
    double half = c->range_deg / 2, turn = o->angle - angle, deg;
    /* A half turn is clockwise. */
    if (turn <= -180 + ND_ANGLE_SLACK) turn += 360;
    else if (turn > 180 + ND_ANGLE_SLACK) turn -= 360;
    deg = nd_clamp_to(o->deg + turn, -half, half);
    o->vx += deg - o->deg;
    o->deg = deg;
    nd_dial_ports(o, c);
  }
  o->has_angle = 1;
  o->angle = angle;
}

/* Where a dial stands. */
static nd_stand nd_dial_stand(const nd_own *o) {
  nd_stand stand;
  memset(&stand, 0, sizeof(stand));
  stand.x = o->deg;
  stand.direction = -1;
  stand.ports = o->ports;
  stand.set = 1;
  return stand;
}

static void nd_tap_begin(nd_own *o, double x, double y, double t) {
  o->down_t = t;
  o->down_x = x;
  o->down_y = y;
  o->near = 1;
}
static void nd_tap_move(nd_own *o, const nd_control *c, double mm_px, double x, double y) {
  if (nd_magnitude(x - o->down_x, y - o->down_y) > c->tap_mm * mm_px + ND_LENGTH_SLACK) o->near = 0;
}
static void nd_tap_end(nd_own *o, const nd_control *c, double t) {
  if (o->near && c->tap_ms > 0 && t - o->down_t <= c->tap_ms + ND_TIME_SLACK) o->owes_tapped = 1;
}

/* ---- D-pads ------------------------------------------------------------------------------------------------------------------------------------------------------ */

static int nd_dpad_direction(const nd_ready *r, double x, double y, int in_force) {
  const nd_control *c = r->control;
  double dx = x - r->x, dy = r->y - y, radius = nd_least(r->visual.w, r->visual.h) / 2, angle, quarter;
  int eight = c->word[ND_WAYS] == 1, d;
  if (c->word[ND_SLIDE_OUT] == 1 && !nd_contains(&r->hit, x, y)) return -1;
  if (radius <= 0 || nd_magnitude(dx, dy) / radius < c->neutral - ND_LENGTH_SLACK) return -1;
  angle = nd_angle_of(dx, dy);
  if (in_force >= 0) {
    double half = !eight ? 45 : in_force % 2 == 1 ? c->diagonal / 2 : 45 - c->diagonal / 2;
    if (nd_apart(angle, in_force * 45) <= half + c->hold_deg + ND_ANGLE_SLACK) return in_force;
  }
  for (d = 1; eight && d < 8; d += 2)
    if (nd_apart(angle, d * 45) <= c->diagonal / 2 + ND_ANGLE_SLACK) return d;
  quarter = floor((angle + 45 + ND_ANGLE_SLACK) / 90);
  return (((int)quarter % 4 + 4) % 4) * 2;
}

/* ---- Buttons ----------------------------------------------------------------------------------------------------------------------------------------------------- */

static int nd_is_long(const nd_own *o, const nd_control *c, double at) { return at - o->start >= c->long_ms - ND_TIME_SLACK; }

static void nd_button_end(nd_own *o, const nd_control *c, double t, int inside) {
  if (!o->pressed) return;
  if (!o->press_seen) o->owes_tap = 1;
  if (!o->press_seen && o->is_double) o->owes_double = 1;
  if (inside) o->owes_release = 1;
  if (!o->long_seen && nd_is_long(o, c, t)) o->owes_long = 1;
  o->pressed = 0;
}

static void nd_button_down(nd_own *o, const nd_control *c, double t) {
  o->contacts += 1;
  if (o->contacts > 1) return;
  o->is_double = o->has_previous && t - o->previous <= c->within_ms + ND_TIME_SLACK;
  o->had_previous = o->has_previous;
  o->before = o->previous;
  o->has_previous = !o->is_double;
  o->previous = o->is_double ? 0 : t;
  o->pressed = 1;
  o->start = t;
  o->press_seen = o->long_seen = 0;
  if (c->word[ND_PRESS_BY] == 1) o->latched = !o->latched;
}

static void nd_button_cancel(nd_own *o, const nd_control *c) {
  o->contacts -= 1;
  if (o->contacts > 0 || !o->pressed) return;
  o->has_previous = o->had_previous;
  o->previous = o->before;
  if (!o->press_seen && c->word[ND_PRESS_BY] == 1) o->latched = !o->latched;
  o->pressed = 0;
}

static int nd_button_pressed(const nd_own *o, const nd_control *c, double at) {
  switch (c->word[ND_PRESS_BY]) {
    case 0:
      return o->pressed || o->owes_tap;
    case 1:
      return o->latched;
    case 2:
      return (o->pressed && !o->press_seen) || o->owes_tap;
    case 3:
      return o->owes_release;
    case 4:
      return (o->pressed && nd_is_long(o, c, at)) || o->owes_long;
    default:
      return (o->pressed && o->is_double) || o->owes_double;
  }
}

/* ---- Swipes ------------------------------------------------------------------------------------------------------------------------------------------------------ */

static nd_point_at *nd_path_point(nd_path_of *path, int i) { return &path->points[(path->first + i) % NODULUM_PATH]; }

static void nd_path_anew(nd_path_of *path, double t, double x, double y) {
  path->first = 0;
  path->count = 1;
  path->points[0].t = t;
  path->points[0].x = x;
  path->points[0].y = y;
}

static void nd_swipe_move(nd_work *w, int i, double x, double y, double t) {
  nd_own *o = &w->at.controls[i];
  const nd_ready *r = &w->p->controls[i];
  const nd_control *c = r->control;
  double dx, dy, far;
  if (!o->held || o->done) return;
  if (r->path >= 0) {
    nd_path_of *path = &w->at.paths[r->path];
    double since = nd_most(o->start_t, t - c->within_ms);
    int at = path->count - 1;
    nd_point_at *start;
    while (at > 0 && nd_path_point(path, at)->t > since + ND_TIME_SLACK) at -= 1;
    path->first = (path->first + at) % NODULUM_PATH;
    path->count -= at;
    start = nd_path_point(path, 0);
    o->start_t = start->t;
    o->start_x = start->x;
    o->start_y = start->y;
    if (path->count == NODULUM_PATH) {
      path->first = (path->first + 1) % NODULUM_PATH;
      path->count -= 1;
    }
    start = nd_path_point(path, path->count);
    start->t = t;
    start->x = x;
    start->y = y;
    path->count += 1;
  }
  dx = x - o->start_x;
  dy = o->start_y - y;
  far = nd_magnitude(dx, dy);
  if (far < c->distance_mm * w->p->mm_px - ND_LENGTH_SLACK || far == 0) return;
  o->has_fire = 1;
  o->fire_seen = 0;
  o->fire_x = dx / far;
  o->fire_y = dy / far;
  if (c->directions > 0) nd_unit_at(nd_snap(nd_angle_of(dx / far, dy / far), (int)c->directions, -1, 0) * 360 / c->directions, &o->fire_x, &o->fire_y);
  if (c->word[ND_AGAIN] == 0) o->done = 1;
  else {
    o->start_t = t;
    o->start_x = x;
    o->start_y = y;
    if (r->path >= 0) nd_path_anew(&w->at.paths[r->path], t, x, y);
  }
}

/* ---- The six kinds behind one set of verbs ---------------------------------------------------------------------------------------------------------------------- */

static void nd_take(nd_work *w, int i, int32_t touch, double x, double y, double t) {
  nd_own *o = &w->at.controls[i];
  const nd_ready *r = &w->p->controls[i];
  if (r->control->kind == NODULUM_BUTTON) {
    nd_button_down(o, r->control, t);
    return;
  }
  o->held = 1;
  o->touch = touch;
  o->seen = 0;
  o->x = x;
  o->y = y;
  o->direction = -1;
  nd_tap_begin(o, x, y, t);
  switch (r->control->kind) {
    case NODULUM_STICK:
      o->direction = o->place.direction;
      o->ports = o->place.ports;
      o->vx = o->place.vx;
      o->vy = o->place.vy;
      o->mark = o->place;
      nd_stick_origin(o, r, w->p);
      nd_stick_follow(o, r);
      break;
    case NODULUM_DIAL:
      o->deg = o->place.x;
      o->ports = o->place.ports;
      o->mark = o->place;
      o->has_angle = nd_dial_angle(r, x, y, &o->angle);
      break;
    case NODULUM_DPAD:
      o->direction = nd_dpad_direction(r, x, y, -1);
      break;
    case NODULUM_SWIPE:
      o->start_t = t;
      o->start_x = x;
      o->start_y = y;
      o->has_fire = o->done = 0;
      if (r->path >= 0) nd_path_anew(&w->at.paths[r->path], t, x, y);
      break;
    default:
      break;
  }
}

/* Brings a held control up to date; 1 where a button lets the touch go. */
static int nd_carry(nd_work *w, int i, int slid, double x, double y, double t) {
  nd_own *o = &w->at.controls[i];
  const nd_ready *r = &w->p->controls[i];
  const nd_control *c = r->control;
  if (c->kind != NODULUM_BUTTON) nd_tap_move(o, c, w->p->mm_px, x, y);
  switch (c->kind) {
    case NODULUM_BUTTON:
      if (nd_contains(&r->hit, x, y) || (c->word[ND_SLIDE_OUT] == 0 && !slid)) return 0;
      o->contacts -= 1;
      if (o->contacts == 0) nd_button_end(o, c, t, 0);
      return 1;
    case NODULUM_STICK:
      o->x = x;
      o->y = y;
      nd_stick_follow(o, r);
      return 0;
    case NODULUM_DPAD:
      o->direction = nd_dpad_direction(r, x, y, o->direction);
      return 0;
    case NODULUM_DIAL:
      nd_dial_turn(o, r, x, y);
      return 0;
    case NODULUM_TOUCHPAD:
      if (c->word[ND_AXES] != 2) o->vx += ((x - o->x) / w->p->mm_px) * c->gain;
      if (c->word[ND_AXES] != 1) o->vy += ((o->y - y) / w->p->mm_px) * c->gain;
      o->x = x;
      o->y = y;
      return 0;
    default:
      nd_swipe_move(w, i, x, y, t);
      return 0;
  }
}

static void nd_lift(nd_work *w, int i, double x, double y, double t) {
  nd_own *o = &w->at.controls[i];
  const nd_ready *r = &w->p->controls[i];
  switch (r->control->kind) {
    case NODULUM_BUTTON:
      o->contacts -= 1;
      if (o->contacts == 0) nd_button_end(o, r->control, t, nd_contains(&r->hit, x, y));
      return;
    case NODULUM_STICK:
      if (!o->seen) {
        o->tap = 1;
        o->tap_x = o->vx;
        o->tap_y = o->vy;
        o->tap_ports = o->ports;
      }
      if (nd_magnitude(o->vx, o->vy) > 0) {
        o->owes_released = 1;
        o->released_x = o->vx;
        o->released_y = o->vy;
      }
      if (r->control->stays) o->place = nd_lever_stand(o, r);
      break;
    case NODULUM_DIAL:
      if (!o->seen) {
        o->tap = 1;
        o->tap_x = o->deg;
        o->tap_ports = o->ports;
      }
      if (r->control->stays) o->place = nd_dial_stand(o);
      break;
    case NODULUM_DPAD:
      if (!o->seen) {
        o->tap = 1;
        o->tap_direction = o->direction;
      }
      break;
    case NODULUM_TOUCHPAD:
      if (!o->seen) o->tap = 1;
      break;
    default:
      if (o->has_fire && !o->fire_seen) {
        o->owes_fire = 1;
        o->owed_x = o->fire_x;
        o->owed_y = o->fire_y;
      }
      o->has_fire = 0;
      break;
  }
  if (r->control->kind != NODULUM_DPAD) nd_tap_end(o, r->control, t);
  o->held = 0;
}

static void nd_drop(nd_work *w, int i) {
  nd_own *o = &w->at.controls[i];
  const nd_control *c = w->p->controls[i].control;
  if (c->kind == NODULUM_BUTTON) {
    nd_button_cancel(o, c);
    return;
  }
  if (c->kind == NODULUM_SWIPE) o->has_fire = 0;
  if (c->kind == NODULUM_STICK || c->kind == NODULUM_DIAL) o->place = o->mark;
  o->held = 0;
}

/* It goes out of sight, or the window loses the keys: taps, releases and fires that ended touches left for the next tick are dropped. */
static void nd_drop_pending(nd_own *o) { o->owes_tapped = o->owes_released = o->owes_fire = 0; }

/* What a control gives at a tick, on every port. */
typedef struct nd_reading {
  double vx, vy, x, y, aim_x, aim_y, turn;
  int press, held, active, ports, tapped, released;
} nd_reading;

static void nd_read_control(const nd_work *w, int i, double tick, nd_reading *g) {
  const nd_own *o = &w->at.controls[i];
  const nd_control *c = w->p->controls[i].control;
  memset(g, 0, sizeof(*g));
  g->tapped = o->owes_tapped;
  switch (c->kind) {
    case NODULUM_STICK:
      g->held = o->held || o->tap;
      g->released = o->owes_released;
      g->aim_x = o->held ? o->vx : o->owes_released ? o->released_x : 0;
      g->aim_y = o->held ? o->vy : o->owes_released ? o->released_y : 0;
      if (!o->held && !o->tap && !o->place.set) return;
      g->vx = g->x = o->held ? o->vx : o->place.set ? o->place.vx : o->tap_x;
      g->vy = g->y = o->held ? o->vy : o->place.set ? o->place.vy : o->tap_y;
      g->ports = o->held ? o->ports : o->place.set ? o->place.ports : o->tap_ports;
      g->active = nd_magnitude(g->vx, g->vy) > 0;
      break;
    case NODULUM_DIAL:
      g->held = o->held || o->tap;
      g->turn = o->vx;
      g->x = nd_dial_value(c, o->held ? o->deg : o->tap ? o->tap_x : o->place.x);
      g->active = fabs(g->x) > 0;
      if (g->held || g->active || g->tapped || g->turn != 0) g->ports = o->held ? o->ports : o->tap ? o->tap_ports : o->place.ports;
      break;
    case NODULUM_DPAD: {
      static const int across[] = {1, 1, 0, -1, -1, -1, 0, 1}, up[] = {0, 1, 1, 1, 0, -1, -1, -1};
      int d = o->held ? o->direction : o->tap ? o->tap_direction : -1;
      double far;
      if (!o->held && !o->tap) return;
      g->held = 1;
      if (d < 0) break;
      g->x = across[d];
      g->y = up[d];
      far = nd_magnitude(g->x, g->y);
      g->vx = g->x / far;
      g->vy = g->y / far;
      g->active = 1;
      g->ports = (g->y > 0 ? ND_UP_BIT : 0) | (g->y < 0 ? ND_DOWN_BIT : 0) | (g->x < 0 ? ND_LEFT_BIT : 0) | (g->x > 0 ? ND_RIGHT_BIT : 0);
      break;
    }
    case NODULUM_BUTTON:
      g->press = nd_button_pressed(o, c, tick);
      break;
    case NODULUM_TOUCHPAD:
      g->held = o->held || o->tap;
      g->vx = o->vx;
      g->vy = o->vy;
      break;
    default: {
      int fires = o->held && o->has_fire && (!o->fire_seen || c->word[ND_OUTPUT] == 1);
      double angle;
      if (!fires && !o->owes_fire) return;
      g->vx = fires ? o->fire_x : o->owed_x;
      g->vy = fires ? o->fire_y : o->owed_y;
      angle = nd_angle_of(g->vx, g->vy);
      g->ports = (nd_within_port(angle, 0, 0) ? ND_RIGHT_BIT : 0) | (nd_within_port(angle, 90, 0) ? ND_UP_BIT : 0) |
                 (nd_within_port(angle, 180, 0) ? ND_LEFT_BIT : 0) | (nd_within_port(angle, 270, 0) ? ND_DOWN_BIT : 0);
      break;
    }
  }
}

/* After a tick: what was owed is paid, what is held has been seen. */
static void nd_settle_control(nd_own *o, const nd_ready *r, double tick) {
  const nd_control *c = r->control;
  o->tap = o->owes_tapped = o->owes_released = 0;
  if (o->held) o->seen = 1;
  switch (c->kind) {
    case NODULUM_STICK:
      if (o->held && c->stays) o->mark = nd_lever_stand(o, r);
      break;
    case NODULUM_DIAL:
      o->vx = 0;
      if (o->held && c->stays) o->mark = nd_dial_stand(o);
      break;
    case NODULUM_BUTTON:
      o->owes_tap = o->owes_release = o->owes_long = o->owes_double = 0;
      if (!o->pressed) break;
      o->press_seen = 1;
      if (nd_is_long(o, c, tick)) o->long_seen = 1;
      break;
    case NODULUM_TOUCHPAD:
      o->vx = o->vy = 0;
      break;
    case NODULUM_SWIPE:
      o->owes_fire = 0;
      if (o->held && o->has_fire) o->fire_seen = 1;
      break;
    default:
      break;
  }
}

/* ---- Who gets a touch ------------------------------------------------------------------------------------------------------------------------------------------------ */

static int nd_has(const uint64_t *bits, int i) { return (int)((bits[i >> 6] >> (i & 63)) & 1u); }
/* The next control from `i` on whose bit is set; 256 where there is none. */
static int nd_next_bit(const uint64_t *bits, int i) {
  while (i < 256) {
    uint64_t rest = bits[i >> 6] >> (i & 63);
    if (rest == 0) {
      i = (i | 63) + 1;
      continue;
    }
    while ((rest & 0xffu) == 0) {
      rest >>= 8;
      i += 8;
    }
    while ((rest & 1u) == 0) {
      rest >>= 1;
      i += 1;
    }
    return i;
  }
  return 256;
}
static void nd_set(uint64_t *bits, int i, int on) {
  if (on) bits[i >> 6] |= (uint64_t)1 << (i & 63);
  else bits[i >> 6] &= ~((uint64_t)1 << (i & 63));
}

/* The stack at a point, a bit a control: those whose area holds it, top first, cut after the first that keeps touches for itself. */
static void nd_stack(const nd_work *w, int32_t touch, double x, double y, uint64_t *stack) {
  int i;
  memset(stack, 0, 4 * sizeof(uint64_t));
  for (i = w->p->control_count - 1; i >= 0; i -= 1) {
    const nd_ready *r = &w->p->controls[i];
    const nd_own *o = &w->at.controls[i];
    /* Most are far away: that is seen at once. */
    if (y < r->area.box.y - 1 || x < r->area.box.x - 1 || x > r->area.box.x + r->area.box.w + 1 || !nd_is_shown(w, i) || !nd_contains(&r->area, x, y)) continue;
    if (r->control->kind != NODULUM_BUTTON && o->held && o->touch != touch) continue;
    nd_set(stack, i, 1);
    if (r->own) break;
  }
}

static int nd_touch_at(const nodulum_state *s, int64_t given) {
  int i;
  for (i = 0; i < s->touch_count; i += 1)
    if (s->touches[i].given == given) return i;
  return -1;
}

/* The number of a touch: its id where 32 bits hold it and no other touch has it, else the least that is free. */
static int32_t nd_number_of(const nodulum_state *s, int64_t given) {
  int32_t number = given >= INT32_MIN && given <= INT32_MAX ? (int32_t)given : 0;
  int i = 0;
  while (i < s->touch_count) {
    if (s->touches[i].id == number) {
      number = number < 0 || number >= NODULUM_TOUCHES ? 0 : number + 1;
      i = 0;
    } else i += 1;
  }
  return number;
}

static void nd_forget_touch(nodulum_state *s, int at) {
  int i;
  s->touch_count -= 1;
  for (i = at; i < s->touch_count; i += 1) s->touches[i] = s->touches[i + 1];
  memset(&s->touches[s->touch_count], 0, sizeof(nd_touch));
}

static void nd_cancel_at(nd_work *w, int at) {
  const nd_touch *touch = &w->s->touches[at];
  int i;
  for (i = nd_next_bit(touch->holds, 0); i < w->p->control_count; i = nd_next_bit(touch->holds, i + 1)) nd_drop(w, i);
  nd_forget_touch(w->s, at);
}

static void nd_move_to(nd_work *w, nd_touch *touch, double x, double y, double t) {
  int i, captured = !w->p->slides;
  for (i = nd_next_bit(touch->holds, 0); i < w->p->control_count; i = nd_next_bit(touch->holds, i + 1)) {
    if (nd_carry(w, i, nd_has(touch->slid, i), x, y, t)) {
      nd_set(touch->holds, i, 0);
      nd_set(touch->slid, i, 0);
    } else if (w->p->controls[i].control->kind != NODULUM_BUTTON) captured = 1;
  }
  if (!captured) {
    uint64_t before[4], now[4];
    int k, any = 0;
    nd_stack(w, touch->id, x, y, now);
    for (k = 0; k < 4; k += 1) {
      now[k] &= w->p->slide_in[k] & ~touch->holds[k];
      any |= now[k] != 0;
    }
    /* What it stood over before matters only where there is something to slide into. */
    if (any) nd_stack(w, touch->id, touch->x, touch->y, before);
    for (i = any ? nd_next_bit(now, 0) : 256; i < w->p->control_count; i = nd_next_bit(now, i + 1)) {
      if (nd_has(before, i)) continue;
      nd_take(w, i, touch->id, x, y, t);
      nd_set(touch->holds, i, 1);
      nd_set(touch->slid, i, 1);
    }
  }
  touch->x = x;
  touch->y = y;
}

static void nd_touch_event(nd_work *w, const nodulum_event *e) {
  nodulum_state *s = w->s;
  int at = nd_touch_at(s, e->id), i;
  switch (e->type) {
    case NODULUM_DOWN: {
      nd_touch *touch;
      if (at >= 0) nd_cancel_at(w, at);
      if (s->touch_count == NODULUM_TOUCHES) return;
      touch = &s->touches[s->touch_count];
      memset(touch, 0, sizeof(*touch));
      touch->given = e->id;
      touch->id = nd_number_of(s, e->id);
      touch->x = e->x;
      touch->y = e->y;
      nd_stack(w, touch->id, e->x, e->y, touch->holds);
      s->touch_count += 1;
      for (i = w->p->control_count - 1; i >= 0; i -= 1)
        if (nd_has(touch->holds, i)) nd_take(w, i, touch->id, e->x, e->y, e->t);
      return;
    }
    case NODULUM_MOVE:
      if (at >= 0) nd_move_to(w, &s->touches[at], e->x, e->y, e->t);
      return;
    case NODULUM_UP:
      if (at < 0) return;
      if (e->x != s->touches[at].x || e->y != s->touches[at].y) nd_move_to(w, &s->touches[at], e->x, e->y, e->t);
      for (i = 0; i < w->p->control_count; i += 1)
        if (nd_has(s->touches[at].holds, i)) nd_lift(w, i, e->x, e->y, e->t);
      nd_forget_touch(s, at);
      return;
    default:
      if (at >= 0) nd_cancel_at(w, at);
      return;
  }
}

/* What is no longer shown lets go as by cancel; the touches live on. */
static void nd_let_go(nd_work *w) {
  int t, i;
  for (t = 0; t < w->s->touch_count; t += 1)
    for (i = 0; i < w->p->control_count; i += 1)
      if (nd_has(w->s->touches[t].holds, i) && !nd_is_shown(w, i)) {
        nd_drop(w, i);
        nd_set(w->s->touches[t].holds, i, 0);
        nd_set(w->s->touches[t].slid, i, 0);
      }
  for (i = 0; i < w->p->control_count; i += 1)
    if (!nd_is_shown(w, i)) nd_drop_pending(&w->at.controls[i]);
}

/* ---- Keys, mouse and pad, and what everything adds up to ---------------------------------------------------------------------------------------------------------------- */

static void nd_press(nd_switch *s, int down) {
  if (down) {
    if (s->down) return;
    s->down = 1;
    s->seen = 0;
  } else if (s->down) {
    if (!s->seen) s->tap = 1;
    s->down = 0;
  }
}
static int nd_is_on(const nd_switch *s) { return s->down || s->tap; }
static void nd_settle_switch(nd_switch *s) {
  s->tap = 0;
  if (s->down) s->seen = 1;
}

static double nd_axis_now(const nodulum_state *s, int axis) { return axis < 64 ? nd_clamp_to(s->pad_axes[axis], -1, 1) : 0; }
static double nd_button_now(const nodulum_state *s, int button) { return button < 64 ? nd_clamp_to(s->pad_buttons[button], 0, 1) : 0; }

/* One of touch, keys with mouse, pad: what its switches give, and all the rest. */
typedef struct nd_group {
  int press;
  double switch_x, switch_y, rest_x, rest_y;
} nd_group;

static void nd_switch_on(nd_group *g, int kind, int on, double x, double y) {
  if (!on) return;
  g->press = 1;
  if (kind == NODULUM_MOTION || kind == NODULUM_DELTA) return;
  g->switch_x += x;
  g->switch_y += y;
}

static int nd_repeated(int port, const nd_source *source, nd_repeating *r, double time) {
  double first, since, pending;
  int wanted, gives;
  if (!port) {
    if (r->has_first) {
      r->has_first = r->waits = 0;
      r->first = r->pending = 0;
    }
    return 0;
  }
  first = r->has_first ? r->first : time;
  since = time - first;
  pending = since < source->delay_ms - ND_TIME_SLACK ? 1 : 2 + floor((since - source->delay_ms + ND_TIME_SLACK) / source->interval_ms);
  wanted = r->waits || pending > r->pending;
  gives = wanted && (!r->has_last || time - r->last >= source->rest_ms - ND_TIME_SLACK);
  r->has_first = 1;
  r->first = first;
  r->pending = pending;
  r->waits = wanted && !gives;
  if (gives) {
    r->has_last = 1;
    r->last = time;
  }
  return gives;
}

static int nd_port_on(const nd_reading *g, int port) {
  switch (port) {
    case ND_P_UP:
      return (g->ports & ND_UP_BIT) != 0;
    case ND_P_DOWN:
      return (g->ports & ND_DOWN_BIT) != 0;
    case ND_P_LEFT:
      return (g->ports & ND_LEFT_BIT) != 0;
    case ND_P_RIGHT:
      return (g->ports & ND_RIGHT_BIT) != 0;
    case ND_P_HELD:
      return g->held;
    case ND_P_ACTIVE:
      return g->active;
    case ND_P_TAPPED:
      return g->tapped;
    case ND_P_RELEASED:
      return g->released;
    default:
      return g->press;
  }
}

/* Whether nothing of a control would be given at a tick. */
static int nd_is_idle(const nd_own *o) {
  return !(o->held | o->tap | o->pressed | o->latched | o->owes_tap | o->owes_release | o->owes_long | o->owes_double | o->owes_fire | o->owes_tapped | o->owes_released |
           o->place.set) &&
         o->vx == 0 && o->vy == 0;
}

/* A port of one number, scaled: x, dx and turn by the first of a pair, y and dy by the second. */
static double nd_one_way(const nd_reading *g, const nd_source *source) {
  switch (source->port) {
    case ND_P_Y:
      return g->y * source->scale[1];
    case ND_P_DX:
      return g->vx * source->scale[0];
    case ND_P_DY:
      return g->vy * source->scale[1];
    case ND_P_TURN:
      return g->turn * source->scale[0];
    default:
      return g->x * source->scale[0];
  }
}

static void nd_add_touch(nd_work *w, nd_group *g, const nd_source *source, double time, double ms) {
  nd_reading reading;
  if (source->repeat < 0 && nd_is_idle(&w->at.controls[source->control])) return;
  if (nd_is_shown(w, source->control)) nd_read_control(w, source->control, time, &reading);
  else memset(&reading, 0, sizeof(reading));
  switch (nd_carries(source->port)) {
    case ND_C_PRESS: {
      int on = nd_port_on(&reading, source->port);
      if (source->repeat >= 0) on = nd_repeated(on, source, &w->at.repeats[source->repeat], time);
      nd_switch_on(g, source->kind, on, source->value[0], source->value[1]);
      return;
    }
    /* What is given per second counts for the length of the tick: a position toward a movement. */
    case ND_C_NUMBER:
      g->rest_x += nd_one_way(&reading, source) * (source->kind == NODULUM_DELTA ? ms / 1000 : 1);
      return;
    case ND_C_CHANGE:
      g->rest_x += nd_one_way(&reading, source);
      return;
    default: {
      double part = source->port != ND_P_MOTION && source->kind == NODULUM_MOTION ? ms / 1000 : 1;
      g->rest_x += (source->port == ND_P_AIM ? reading.aim_x : reading.vx) * source->scale[0] * part;
      g->rest_y += (source->port == ND_P_AIM ? reading.aim_y : reading.vy) * source->scale[1] * part;
      return;
    }
  }
}

/* What a key or button gives; 0 where its value does not suit the action. */
static int nd_hardware_value(int kind, const nd_input *in, double *x, double *y) {
  *x = *y = 0;
  if (kind == NODULUM_VECTOR) {
    if (!in->has_value || !in->value_two) return 0;
    *x = in->value[0];
    *y = in->value[1];
    return 1;
  }
  if (kind == NODULUM_AXIS) {
    if (in->has_value && in->value_two) return 0;
    *x = in->has_value ? in->value[0] : 1;
    return 1;
  }
  return kind == NODULUM_PRESS;
}

static void nd_add_keys(const nd_work *w, nd_group *g, const nd_action *action) {
  int i;
  double x, y;
  for (i = 0; i < action->keys.count; i += 1) {
    const nd_input *in = (const nd_input *)action->keys.items + i;
    if (nd_hardware_value(action->kind, in, &x, &y)) nd_switch_on(g, action->kind, nd_is_on(&w->at.codes[in->code]), x, y);
  }
  for (i = 0; i < action->mouse.count; i += 1) {
    const nd_input *in = (const nd_input *)action->mouse.items + i;
    if (in->what == ND_IN_MOVE) {
      if (action->kind == NODULUM_MOTION && in->side == 0) {
        g->rest_x += w->s->mouse_x * in->scale[0];
        g->rest_y += -w->s->mouse_y * in->scale[1];
      }
      if (action->kind == NODULUM_DELTA && in->side == 1) g->rest_x += w->s->mouse_x * in->scale[0];
      if (action->kind == NODULUM_DELTA && in->side == 2) g->rest_x -= w->s->mouse_y * in->scale[1];
    } else if (nd_hardware_value(action->kind, in, &x, &y)) nd_switch_on(g, action->kind, nd_is_on(&w->s->mouse[(int)in->index]), x, y);
  }
}

static void nd_add_pad(const nd_work *w, nd_group *g, const nd_action *action, double ms) {
  int i;
  double x, y;
  for (i = 0; i < action->pad.count; i += 1) {
    const nd_input *in = (const nd_input *)action->pad.items + i;
    if (in->what == ND_IN_BUTTON) {
      double amount = nd_button_now(w->s, (int)in->index);
      if (!nd_hardware_value(action->kind, in, &x, &y)) continue;
      if (action->kind == NODULUM_AXIS) g->switch_x += amount * x;
      else nd_switch_on(g, action->kind, amount >= 0.5 - ND_LENGTH_SLACK, x, y);
    } else if (in->what == ND_IN_AXIS) {
      double a = nd_axis_now(w->s, (int)in->index);
      double part = action->kind == NODULUM_DELTA ? ms / 1000 : 1;
      if (action->kind == NODULUM_AXIS || action->kind == NODULUM_DELTA)
        g->rest_x += nd_sign(a) * nd_clamp_to((fabs(a) - in->inner) / (in->outer - in->inner), 0, 1) * in->scale[0] * part;
    } else if (action->kind == NODULUM_VECTOR || action->kind == NODULUM_MOTION) {
      double ax = nd_axis_now(w->s, in->side * 2), ay = -nd_axis_now(w->s, in->side * 2 + 1), m = nd_magnitude(ax, ay);
      double part = action->kind == NODULUM_MOTION ? ms / 1000 : 1;
      if (m > 0) {
        double s = nd_clamp_to((m - in->inner) / (in->outer - in->inner), 0, 1);
        g->rest_x += s * ax / m * in->scale[0] * part;
        g->rest_y += s * ay / m * in->scale[1] * part;
      }
    }
  }
}

/* An axis clamped to -1 to 1, a vector shortened to length 1. */
static void nd_limit(int kind, double *x, double *y) {
  double m;
  if (kind == NODULUM_AXIS) {
    *x = nd_clamp_to(*x, -1, 1);
    *y = 0;
    return;
  }
  m = nd_magnitude(*x, *y);
  if (m > 1) {
    *x /= m;
    *y /= m;
  }
}

static void nd_toward(nd_value *v, double x, double y, const nd_action *action, double ms) {
  double way_x = x - v->x, way_y = y - v->y, way = nd_magnitude(way_x, way_y);
  double over = nd_magnitude(x, y) > ND_LENGTH_SLACK ? action->rise_ms : action->fall_ms;
  double step = over > 0 ? ms / over : 0;
  if (!(over > 0) || way <= step + ND_LENGTH_SLACK) {
    v->x = x;
    v->y = y;
  } else {
    v->x += step * way_x / way;
    v->y += step * way_y / way;
  }
}

static void nd_work_out(nd_work *w, int index, double time, double ms) {
  const nd_action *action = nd_action_at(w->p->layout, index);
  const nd_feed *feed = &w->p->feeds[index];
  nd_value *given = &w->at.given[index];
  nd_group groups[3];
  nd_group *best = &groups[0];
  int kind = action->kind, i, apart = action->combine == 1 && (kind == NODULUM_AXIS || kind == NODULUM_VECTOR);
  double x, y;
  int before = given->press;
  memset(groups, 0, apart ? sizeof(groups) : sizeof(groups[0]));
  for (i = 0; i < feed->count; i += 1) nd_add_touch(w, &groups[0], &w->p->sources[feed->first + i], time, ms);
  nd_add_keys(w, &groups[apart ? 1 : 0], action);
  if (w->s->has_pad) nd_add_pad(w, &groups[apart ? 2 : 0], action, ms);
  memset(given, 0, sizeof(*given));
  given->before = before;
  if (kind == NODULUM_PRESS) {
    given->press = groups[0].press;
    return;
  }
  if (kind == NODULUM_MOTION || kind == NODULUM_DELTA) {
    given->x = groups[0].rest_x;
    given->y = kind == NODULUM_MOTION ? groups[0].rest_y : 0;
    return;
  }
  if (apart) {
    double most = -1;
    for (i = 0; i < 3; i += 1) {
      double strength;
      x = groups[i].switch_x + groups[i].rest_x;
      y = groups[i].switch_y + groups[i].rest_y;
      nd_limit(kind, &x, &y);
      strength = nd_magnitude(x, y);
      if (strength <= most + ND_LENGTH_SLACK) continue;
      best = &groups[i];
      most = strength;
    }
  }
  if (feed->smooth && action->ease == 1) {
    nd_value *smoothed = &w->at.smoothed[index];
    x = best->switch_x;
    y = best->switch_y;
    nd_limit(kind, &x, &y);
    nd_toward(smoothed, x, y, action, ms);
    x = smoothed->x + best->rest_x;
    y = smoothed->y + best->rest_y;
    nd_limit(kind, &x, &y);
  } else {
    x = best->switch_x + best->rest_x;
    y = best->switch_y + best->rest_y;
    nd_limit(kind, &x, &y);
    if (feed->smooth) {
      nd_toward(&w->at.smoothed[index], x, y, action, ms);
      x = w->at.smoothed[index].x;
      y = w->at.smoothed[index].y;
    }
  }
  given->x = x;
  given->y = kind == NODULUM_AXIS ? 0 : y;
}

/* ---- One tick ------------------------------------------------------------------------------------------------------------------------------------------------------------ */

/* No point goes farther than this, px: far beyond every screen, and squares and sums of such points are finite. */
#define ND_FARTHEST 1e12
/* No tick is later than this, ms. */
#define ND_LATEST 1e15

/* The place of a control in the file; -1 where there is none of this id. */
static int nd_control_by_id(const nodulum_layout *l, const char *id) {
  int i;
  for (i = 0; i < l->controls.count; i += 1)
    if (strcmp(((const nd_control *)l->controls.items)[i].id, id) == 0) return i;
  return -1;
}

/* Takes one event; 0 where it is refused. Its time lies within the tick, its point within what can be computed with. */
static int nd_take_event(nd_work *w, const nodulum_event *given, double tick) {
  nodulum_state *s = w->s;
  nodulum_event within = *given;
  const nodulum_event *e = &within;
  int i, at;
  if (!nd_is_finite(e->t)) return 0;
  if (within.t < s->time - ND_TIME_SLACK) within.t = s->time;
  if (within.t > tick + ND_TIME_SLACK) within.t = tick;
  /* What is not finite stays so, and is refused below. */
  if (within.x > ND_FARTHEST && nd_is_finite(within.x)) within.x = ND_FARTHEST;
  if (within.x < -ND_FARTHEST && nd_is_finite(within.x)) within.x = -ND_FARTHEST;
  if (within.y > ND_FARTHEST && nd_is_finite(within.y)) within.y = ND_FARTHEST;
  if (within.y < -ND_FARTHEST && nd_is_finite(within.y)) within.y = -ND_FARTHEST;
  switch (e->type) {
    case NODULUM_DOWN:
    case NODULUM_MOVE:
    case NODULUM_UP:
      if (!nd_is_finite(e->x) || !nd_is_finite(e->y)) return 0;
      nd_touch_event(w, e);
      return 1;
    case NODULUM_CANCEL:
      nd_touch_event(w, e);
      return 1;
    case NODULUM_KEY:
      if (e->name == NULL) return 0;
      for (i = 0; i < w->p->layout->code_count; i += 1)
        if (strcmp(w->p->layout->codes[i], e->name) == 0) nd_press(&w->at.codes[i], e->on);
      return 1;
    case NODULUM_MOUSE:
      if (e->button < 0 || e->button > 31) return 0;
      nd_press(&s->mouse[e->button], e->on);
      return 1;
    case NODULUM_MOUSE_MOVED:
      if (!nd_is_finite(e->x) || !nd_is_finite(e->y)) return 0;
      s->mouse_x += e->x;
      s->mouse_y += e->y;
      return 1;
    case NODULUM_PAD:
      for (i = 0; i < e->button_count; i += 1)
        if (!nd_is_finite(e->buttons[i])) return 0;
      for (i = 0; i < e->axis_count; i += 1)
        if (!nd_is_finite(e->axes[i])) return 0;
      s->has_pad = 1;
      memset(s->pad_buttons, 0, sizeof(s->pad_buttons));
      memset(s->pad_axes, 0, sizeof(s->pad_axes));
      for (i = 0; i < e->button_count && i < 64; i += 1) s->pad_buttons[i] = e->buttons[i];
      for (i = 0; i < e->axis_count && i < 64; i += 1) s->pad_axes[i] = e->axes[i];
      return 1;
    case NODULUM_MOMENT:
      at = nd_moment_at(w->p->layout, e->name);
      if (at == -2) return 0;
      s->moment = at;
      nd_let_go(w);
      return 1;
    case NODULUM_CONTROL:
      if (e->name == NULL) return 0;
      at = nd_control_by_id(w->p->layout, e->name);
      if (at < 0) return 0;
      w->at.hidden[at] = e->on ? 0 : 1;
      nd_let_go(w);
      return 1;
    case NODULUM_OFF:
    case NODULUM_ON:
      s->on = e->type == NODULUM_ON;
      nd_let_go(w);
      return 1;
    case NODULUM_BLUR:
      while (s->touch_count > 0) nd_cancel_at(w, s->touch_count - 1);
      for (i = 0; i < w->p->control_count; i += 1) nd_drop_pending(&w->at.controls[i]);
      for (i = 0; i < w->p->layout->code_count; i += 1) w->at.codes[i].down = 0;
      for (i = 0; i < 32; i += 1) s->mouse[i].down = 0;
      s->has_pad = 0;
      memset(s->pad_buttons, 0, sizeof(s->pad_buttons));
      memset(s->pad_axes, 0, sizeof(s->pad_axes));
      return 1;
    default:
      return 0;
  }
}

/* How a control lies now: held, where its base stands, how far its knob is. */
static int nd_pose(const nd_work *w, int i, double *x, double *y, double *base_x, double *base_y) {
  const nd_own *o = &w->at.controls[i];
  const nd_ready *r = &w->p->controls[i];
  *x = *y = 0;
  *base_x = r->x;
  *base_y = r->y;
  if (r->control->kind == NODULUM_BUTTON) return o->pressed || o->latched;
  if (r->control->kind == NODULUM_DIAL) *x = o->held ? o->deg : o->place.x;
  if (r->control->kind == NODULUM_STICK && o->held) {
    nd_deflection(o, r, x, y);
    /* The base of a lever stays where it is, however its knob was taken. */
    if (r->control->stays) return 1;
    *base_x = o->origin_x;
    *base_y = o->origin_y;
  } else if (r->control->kind == NODULUM_STICK) {
    *x = o->place.x;
    *y = o->place.y;
  }
  return o->held;
}

/* Remembers how what is held lies, for what goes on moving once it is let go. */
static void nd_remember(nd_work *w, int i) {
  nd_own *o = &w->at.controls[i];
  double x, y, base_x, base_y;
  if (!(o->held | o->pressed | o->latched | o->was_let_go)) return;
  if (!nd_is_shown(w, i)) {
    o->was_let_go = 0;
    return;
  }
  if (!nd_pose(w, i, &x, &y, &base_x, &base_y)) return;
  o->last_held = w->s->time;
  o->was_let_go = 1;
  o->left_x = x;
  o->left_y = y;
  o->left_base_x = base_x - w->p->controls[i].x;
  o->left_base_y = base_y - w->p->controls[i].y;
}

int nodulum_advance(const nodulum_placed *placed, nodulum_state *state, const nodulum_event *events, size_t count, double tick_ms) {
  nd_work w;
  size_t e;
  int i, refused = 0, is_later = nd_is_finite(tick_ms) && tick_ms > state->time && tick_ms <= ND_LATEST;
  double ms;
  if (state->mark != placed->mark) return NODULUM_OTHER_PLACING;
  if (!is_later) {
    tick_ms = state->time;
    if (state->time_faults < INT32_MAX) state->time_faults += 1;
  }
  ms = tick_ms - state->time;
  w.p = placed;
  w.s = state;
  nd_parts_of(&w.at, placed, state);
  for (e = 0; e < count; e += 1)
    if (!nd_take_event(&w, &events[e], tick_ms)) refused += 1;
  for (i = 0; i < placed->layout->actions.count; i += 1) nd_work_out(&w, i, tick_ms, ms);
  for (i = 0; i < placed->control_count; i += 1)
    if (!nd_is_idle(&w.at.controls[i])) nd_settle_control(&w.at.controls[i], &placed->controls[i], tick_ms);
  for (i = 0; i < placed->layout->code_count; i += 1) nd_settle_switch(&w.at.codes[i]);
  for (i = 0; i < 32; i += 1) nd_settle_switch(&state->mouse[i]);
  state->mouse_x = state->mouse_y = 0;
  state->time = tick_ms;
  for (i = 0; i < placed->control_count; i += 1) nd_remember(&w, i);
  return is_later ? refused : NODULUM_TIME_NOT_LATER;
}

/* ---- Going on elsewhere ---------------------------------------------------------------------------------------------------------------------------------------------- */

static nd_stand nd_neutral_stand(void) {
  nd_stand stand;
  memset(&stand, 0, sizeof(stand));
  stand.direction = -1;
  return stand;
}

/* Where a lever stands, and what its feel makes of it here. */
static nd_stand nd_lever_anew(const nd_stand *place, const nd_ready *r) {
  nd_own own;
  memset(&own, 0, sizeof(own));
  own.origin_x = -place->x * r->travel;
  own.origin_y = place->y * r->travel;
  own.direction = place->direction;
  own.ports = place->ports;
  own.mark = *place;
  nd_stick_evaluate(&own, r);
  return nd_lever_stand(&own, r);
}

/* Where a dial stands, within the range that it has here. */
static nd_stand nd_dial_anew(const nd_stand *place, const nd_ready *r) {
  nd_own own;
  double half = r->control->range_deg / 2;
  memset(&own, 0, sizeof(own));
  own.ports = place->ports;
  own.deg = nd_clamp_to(place->x, -half, half);
  nd_dial_ports(&own, r->control);
  return nd_dial_stand(&own);
}

/* A control goes on where it still is what it was. */
static void nd_carry_control(nd_own *o, const nd_ready *r) {
  const nd_control *c = r->control;
  if (c->kind == NODULUM_BUTTON && c->word[ND_PRESS_BY] != 1) o->latched = 0;
  if (c->kind != NODULUM_STICK && c->kind != NODULUM_DIAL) return;
  if (!c->stays) o->place = o->mark = nd_neutral_stand();
  else if (o->place.set) o->place = c->kind == NODULUM_STICK ? nd_lever_anew(&o->place, r) : nd_dial_anew(&o->place, r);
  if (c->kind == NODULUM_DIAL && o->held) {
    nd_stand now = nd_dial_stand(o);
    now = nd_dial_anew(&now, r);
    o->deg = now.x;
    o->ports = now.ports;
    if (c->stays) o->mark = nd_dial_anew(&o->mark, r);
  }
}

/* Controls with their ways and what the game says of them; `after`: the new place of each old control, -1 for none. */
static void nd_carry_controls(const nd_work *was, nd_work *w, int *after) {
  int i, k;
  for (k = 0; k < was->p->control_count; k += 1) after[k] = -1;
  for (i = 0; i < w->p->control_count; i += 1) {
    const nd_ready *r = &w->p->controls[i];
    for (k = 0; k < was->p->control_count; k += 1) {
      const nd_ready *old = &was->p->controls[k];
      if (old->control->kind != r->control->kind || strcmp(old->control->id, r->control->id) != 0) continue;
      after[k] = i;
      w->at.controls[i] = was->at.controls[k];
      w->at.said[i] = was->at.said[k];
      nd_carry_control(&w->at.controls[i], r);
      if (r->path >= 0 && old->path >= 0) w->at.paths[r->path] = was->at.paths[old->path];
      else if (r->path >= 0) nd_path_anew(&w->at.paths[r->path], w->at.controls[i].start_t, w->at.controls[i].start_x, w->at.controls[i].start_y);
    }
  }
  for (i = 0; i < was->p->layout->controls.count; i += 1) {
    k = nd_control_by_id(w->p->layout, ((const nd_control *)was->p->layout->controls.items)[i].id);
    if (k >= 0) w->at.hidden[k] = was->at.hidden[i];
  }
}

/* How many sources before this one repeat the same port of the same control for the same action. */
static int nd_earlier_repeats(const nodulum_placed *p, const nd_feed *feed, int source) {
  int i, count = 0;
  for (i = feed->first; i < source; i += 1)
    count += p->sources[i].repeat >= 0 && p->sources[i].control == p->sources[source].control && p->sources[i].port == p->sources[source].port;
  return count;
}

/* Values on their way, and the repeats of an action. */
static void nd_carry_action(const nd_work *was, nd_work *w, int old, int now) {
  const nd_feed *before = &was->p->feeds[old], *after = &w->p->feeds[now];
  int i, k;
  w->at.given[now] = was->at.given[old];
  if (before->smooth && after->smooth) w->at.smoothed[now] = was->at.smoothed[old];
  for (i = after->first; i < after->first + after->count; i += 1) {
    const nd_source *source = &w->p->sources[i];
    if (source->repeat < 0) continue;
    for (k = before->first; k < before->first + before->count; k += 1) {
      const nd_source *same = &was->p->sources[k];
      if (same->repeat < 0 || same->port != source->port || nd_earlier_repeats(was->p, before, k) != nd_earlier_repeats(w->p, after, i)) continue;
      if (strcmp(was->p->controls[same->control].control->id, w->p->controls[source->control].control->id) == 0) w->at.repeats[source->repeat] = was->at.repeats[same->repeat];
    }
  }
}

int nodulum_carry(const nodulum_placed *from, const nodulum_state *before, const nodulum_placed *to, nodulum_state *after) {
  /* The old one is read alone. */
  union {
    const nodulum_state *read;
    nodulum_state *write;
  } either;
  nd_work was, w;
  const char *moment;
  int places[256], i, k, t;
  if (before->mark != from->mark || after->mark != to->mark || before == after) return 0;
  either.read = before;
  was.p = from;
  was.s = either.write;
  nd_parts_of(&was.at, from, either.write);
  moment = nodulum_moment_id(from->layout, before->moment);
  w.p = to;
  w.s = nodulum_begin(to, nd_moment_at(to->layout, moment) == -2 ? NULL : moment, after, nodulum_state_size(to));
  nd_parts_of(&w.at, to, after);
  after->time = before->time;
  after->time_faults = before->time_faults;
  after->on = before->on;
  after->mouse_x = before->mouse_x;
  after->mouse_y = before->mouse_y;
  after->has_pad = before->has_pad;
  memcpy(after->pad_buttons, before->pad_buttons, sizeof(after->pad_buttons));
  memcpy(after->pad_axes, before->pad_axes, sizeof(after->pad_axes));
  memcpy(after->mouse, before->mouse, sizeof(after->mouse));
  for (i = 0; i < to->layout->code_count; i += 1)
    for (k = 0; k < from->layout->code_count; k += 1)
      if (strcmp(to->layout->codes[i], from->layout->codes[k]) == 0) w.at.codes[i] = was.at.codes[k];
  nd_carry_controls(&was, &w, places);
  for (i = 0; i < to->layout->actions.count; i += 1) {
    k = nodulum_action_index(from->layout, nd_action_at(to->layout, i)->name);
    if (k >= 0 && nd_action_at(from->layout, k)->kind == nd_action_at(to->layout, i)->kind) nd_carry_action(&was, &w, k, i);
  }
  after->touch_count = before->touch_count;
  memcpy(after->touches, before->touches, sizeof(after->touches));
  for (t = 0; t < after->touch_count; t += 1) {
    nd_touch *touch = &after->touches[t];
    memset(touch->holds, 0, sizeof(touch->holds));
    memset(touch->slid, 0, sizeof(touch->slid));
    for (k = nd_next_bit(before->touches[t].holds, 0); k < from->control_count; k = nd_next_bit(before->touches[t].holds, k + 1)) {
      if (places[k] < 0) continue;
      nd_set(touch->holds, places[k], 1);
      if (nd_has(before->touches[t].slid, k)) nd_set(touch->slid, places[k], 1);
    }
  }
  nd_let_go(&w);
  /* Each touch is judged again where it is, so that another feel or place counts without a movement. */
  for (t = 0; t < after->touch_count; t += 1) nd_move_to(&w, &after->touches[t], after->touches[t].x, after->touches[t].y, after->time);
  return 1;
}

/* ---- What is given and drawn --------------------------------------------------------------------------------------------------------------------------------------------- */

/* The values stand behind the controls, the repeats and the smoothed ones. */
static const nd_value *nd_value_at(const nodulum_state *s, int index) {
  size_t at = (sizeof(nodulum_state) + 7u) & ~(size_t)7u;
  if (index < 0 || index >= s->action_count) return NULL;
  at = (at + (size_t)s->control_count * sizeof(nd_own) + 7u) & ~(size_t)7u;
  at = (at + (size_t)s->repeat_count * sizeof(nd_repeating) + 7u) & ~(size_t)7u;
  at = (at + (size_t)s->action_count * sizeof(nd_value) + 7u) & ~(size_t)7u;
  return (const nd_value *)(const void *)((const unsigned char *)s + at) + index;
}
int nodulum_value_press(const nodulum_state *state, int index) {
  const nd_value *value = nd_value_at(state, index);
  return value != NULL && value->press;
}
double nodulum_value_axis(const nodulum_state *state, int index) {
  const nd_value *value = nd_value_at(state, index);
  return value == NULL ? 0 : value->x;
}
void nodulum_value_vector(const nodulum_state *state, int index, double *x, double *y) {
  const nd_value *value = nd_value_at(state, index);
  *x = value == NULL ? 0 : value->x;
  *y = value == NULL ? 0 : value->y;
}
void nodulum_value_motion(const nodulum_state *state, int index, double *x, double *y) { nodulum_value_vector(state, index, x, y); }
double nodulum_value_delta(const nodulum_state *state, int index) { return nodulum_value_axis(state, index); }
int nodulum_just_pressed(const nodulum_state *state, int index) {
  const nd_value *value = nd_value_at(state, index);
  return value != NULL && value->press && !value->before;
}
int nodulum_just_released(const nodulum_state *state, int index) {
  const nd_value *value = nd_value_at(state, index);
  return value != NULL && !value->press && value->before;
}
double nodulum_time(const nodulum_state *state) { return state->time; }
int nodulum_time_faults(const nodulum_state *state) { return state->time_faults; }
const char *nodulum_moment(const nodulum_placed *placed, const nodulum_state *state) {
  return state->mark == placed->mark ? nodulum_moment_id(placed->layout, state->moment) : NULL;
}

static double nd_passed(double since, double length) { return length > 0 ? nd_clamp_to(since / length, 0, 1) : since >= 0 ? 1 : 0; }
static double nd_glide(double part) {
  double left = 1 - nd_clamp_to(part, 0, 1);
  return 1 - left * left * left;
}

/* As many whole characters of a text as fit. */
static int nd_copy_word(char *to, const char *text) {
  size_t n = 0;
  if (text == NULL) return 0;
  while (n < NODULUM_WORD && text[n] != 0) n += 1;
  /* Not within a character: what goes on begins with bits 10. */
  while (n > 0 && text[n] != 0 && ((unsigned char)text[n] & 0xc0u) == 0x80u) n -= 1;
  memcpy(to, text, n);
  return 1;
}

int nodulum_give(const nodulum_placed *placed, nodulum_state *state, int index, const nodulum_given *given) {
  nd_parts parts;
  nd_said *said;
  if (index < 0 || index >= placed->control_count || state->mark != placed->mark) return 0;
  nd_parts_of(&parts, placed, state);
  said = &parts.said[index];
  memset(said, 0, sizeof(*said));
  if (given == NULL) return 1;
  said->is_off = !given->enabled;
  said->has_count = given->has_count != 0;
  said->count = given->has_count ? given->count : 0;
  said->cooldown = nd_is_finite(given->cooldown) ? nd_clamp_to(given->cooldown, 0, 1) : 0;
  said->has_word = nd_copy_word(said->word, given->word);
  said->has_icon = nd_copy_word(said->icon, given->icon);
  return 1;
}

int nodulum_takes(const nodulum_placed *placed, const nodulum_state *state, double x, double y) {
  /* Read alone: the parts are told from a state that is not changed. */
  union {
    const nodulum_state *read;
    nodulum_state *write;
  } either;
  nd_work w;
  uint64_t stack[4];
  int i;
  if (state->mark != placed->mark || !nd_is_finite(x) || !nd_is_finite(y)) return -1;
  either.read = state;
  w.p = placed;
  w.s = either.write;
  nd_parts_of(&w.at, placed, either.write);
  /* A number that no touch has: what is held is held by another. */
  nd_stack(&w, INT32_MIN, x, y, stack);
  for (i = placed->control_count - 1; i >= 0; i -= 1)
    if (nd_has(stack, i)) return i;
  return -1;
}

int nodulum_look_at(const nodulum_placed *placed, const nodulum_state *state, int index, nodulum_look *out) {
  /* Read alone: the parts are told from a state that is not changed. */
  union {
    const nodulum_state *read;
    nodulum_state *write;
  } either;
  nd_work w;
  const nd_own *o;
  const nd_control *c;
  const nd_ready *r;
  const nd_said *said;
  double x, y, base_x, base_y, since, away = 0;
  if (index < 0 || index >= placed->control_count || state->mark != placed->mark) return 0;
  either.read = state;
  w.p = placed;
  w.s = either.write;
  nd_parts_of(&w.at, placed, either.write);
  o = &w.at.controls[index];
  r = &placed->controls[index];
  c = r->control;
  memset(out, 0, sizeof(*out));
  out->shown = nd_is_shown(&w, index);
  out->held = nd_pose(&w, index, &x, &y, &base_x, &base_y);
  since = state->time - o->last_held;
  if (!out->held) {
    if (c->has_away) away = nd_passed(since - c->away_after_ms, c->away_fade_ms);
    if (c->kind == NODULUM_STICK && !c->stays && o->was_let_go) {
      double knob = 1 - nd_glide(nd_passed(since, c->return_ms));
      double off = c->home == 2 ? 1 : 1 - nd_glide(nd_passed(since - (c->home == 1 ? c->home_after_ms : 0), c->return_ms));
      x = o->left_x * knob;
      y = o->left_y * knob;
      base_x = r->x + o->left_base_x * off;
      base_y = r->y + o->left_base_y * off;
    }
  }
  out->base_x = out->knob_x = base_x;
  out->base_y = out->knob_y = base_y;
  if (c->kind == NODULUM_STICK) {
    out->knob_x += x * r->travel;
    out->knob_y -= y * r->travel;
  }
  if (c->kind == NODULUM_DIAL) out->turn = x;
  if (c->aims && out->held) out->aim = nd_magnitude(o->vx, o->vy) > 0 ? NODULUM_AIMING : NODULUM_CALLED_OFF;
  out->opacity = out->held ? c->held_opacity : c->rest_opacity;
  if (c->has_away && !out->held) out->opacity += (c->away_opacity - out->opacity) * away;
  out->picture = out->held && c->art_held != NULL ? c->art_held : c->art_rest;
  out->knob_picture = c->art_knob;
  said = &w.at.said[index];
  out->enabled = !said->is_off;
  out->has_count = said->has_count;
  out->count = said->count;
  out->cooldown = said->cooldown;
  out->word = said->has_word ? said->word : c->label;
  out->icon = said->has_icon ? said->icon : c->icon;
  return 1;
}

/* ---- The same in fewer calls ---------------------------------------------------------------------------------------------------------------------------------------------- */

struct nodulum_game {
  nodulum_allocator memory;
  nodulum_layout *layout;
  nodulum_placed *placed;
  nodulum_state *state;
};

static void *nd_take_memory(const nodulum_allocator *a, size_t bytes) { return a->take(bytes, a->own); }
static void nd_give_memory(const nodulum_allocator *a, void *memory) {
  if (memory != NULL) a->give(memory, a->own);
}

/* Places a game's layout and begins on it, in memory of its own; 0 where that cannot be, and then nothing is taken. */
static int nd_place_game(const nodulum_game *g, const nodulum_screen *screen, const nodulum_view *view, nodulum_placed **placed, nodulum_state **state) {
  const char *moment = nodulum_moment_id(g->layout, 0);
  void *room = nd_take_memory(&g->memory, nodulum_place_size(g->layout)), *block = NULL;
  *placed = room == NULL ? NULL : nodulum_place(g->layout, screen, view, room, nodulum_place_size(g->layout));
  if (*placed != NULL) block = nd_take_memory(&g->memory, nodulum_state_size(*placed));
  *state = block == NULL ? NULL : nodulum_begin(*placed, moment, block, nodulum_state_size(*placed));
  if (*state != NULL) return 1;
  nd_give_memory(&g->memory, block);
  nd_give_memory(&g->memory, room);
  return 0;
}

nodulum_game *nodulum_open(const char *json, size_t length, const nodulum_screen *screen, const nodulum_view *view, const nodulum_allocator *allocator, nodulum_error *error) {
  nodulum_game *g;
  size_t size = nodulum_measure(json, length);
  void *memory;
  if (error != NULL) memset(error, 0, sizeof(*error));
  g = (nodulum_game *)nd_take_memory(allocator, sizeof(nodulum_game));
  if (g == NULL) {
    (void)nd_refuse(error, 0, "", "there is no memory");
    return NULL;
  }
  memset(g, 0, sizeof(*g));
  g->memory = *allocator;
  memory = nd_take_memory(allocator, size);
  if (memory == NULL) (void)nd_refuse(error, 0, "", "there is no memory");
  else g->layout = nodulum_read(json, length, memory, size, error);
  if (g->layout != NULL && !nd_place_game(g, screen, view, &g->placed, &g->state)) (void)nd_refuse(error, 0, "", "there is no memory, or the screen has no sides above 0");
  if (g->state != NULL) return g;
  nd_give_memory(allocator, memory);
  nd_give_memory(allocator, g);
  return NULL;
}

void nodulum_close(nodulum_game *game) {
  nodulum_allocator memory;
  if (game == NULL) return;
  memory = game->memory;
  nd_give_memory(&memory, game->state);
  nd_give_memory(&memory, game->placed);
  nd_give_memory(&memory, game->layout);
  nd_give_memory(&memory, game);
}

int nodulum_turn(nodulum_game *game, const nodulum_screen *screen, const nodulum_view *view) {
  nodulum_placed *placed;
  nodulum_state *state;
  if (!nd_place_game(game, screen, view, &placed, &state)) return 0;
  (void)nodulum_carry(game->placed, game->state, placed, state);
  nd_give_memory(&game->memory, game->state);
  nd_give_memory(&game->memory, game->placed);
  game->placed = placed;
  game->state = state;
  return 1;
}

static nodulum_event nd_event(int type, double t) {
  nodulum_event e;
  memset(&e, 0, sizeof(e));
  e.type = type;
  e.t = t;
  return e;
}

/* An event is taken as it comes: it counts at the next step. */
static int nd_take_now(nodulum_game *game, nodulum_event *e) {
  nd_work w;
  w.p = game->placed;
  w.s = game->state;
  nd_parts_of(&w.at, game->placed, game->state);
  return nd_take_event(&w, e, nd_is_finite(e->t) ? nd_most(e->t, game->state->time) : game->state->time);
}

int nodulum_touch(nodulum_game *game, int type, double t, int64_t id, double x, double y) {
  nodulum_event e = nd_event(type, t);
  e.id = id;
  e.x = x;
  e.y = y;
  return type >= NODULUM_DOWN && type <= NODULUM_CANCEL && nd_take_now(game, &e);
}
int nodulum_key(nodulum_game *game, double t, const char *code, int on) {
  nodulum_event e = nd_event(NODULUM_KEY, t);
  e.name = code;
  e.on = on;
  return nd_take_now(game, &e);
}
int nodulum_pad(nodulum_game *game, double t, const double *buttons, int button_count, const double *axes, int axis_count) {
  nodulum_event e = nd_event(NODULUM_PAD, t);
  e.buttons = buttons;
  e.axes = axes;
  e.button_count = button_count;
  e.axis_count = axis_count;
  return nd_take_now(game, &e);
}
int nodulum_enter(nodulum_game *game, double t, const char *moment) {
  nodulum_event e = nd_event(NODULUM_MOMENT, t);
  e.name = moment;
  return nd_take_now(game, &e);
}
int nodulum_step(nodulum_game *game, double t) { return nodulum_advance(game->placed, game->state, NULL, 0, t); }

/* The index of an action of a kind; -1 where there is none. */
static int nd_named_action(const nodulum_game *game, const char *action, int kind) {
  int index = nodulum_action_index(game->layout, action);
  return nodulum_action_kind(game->layout, index) == kind ? index : -1;
}
int nodulum_press(const nodulum_game *game, const char *action) { return nodulum_value_press(game->state, nd_named_action(game, action, NODULUM_PRESS)); }
double nodulum_axis(const nodulum_game *game, const char *action) { return nodulum_value_axis(game->state, nd_named_action(game, action, NODULUM_AXIS)); }
void nodulum_vector(const nodulum_game *game, const char *action, double *x, double *y) { nodulum_value_vector(game->state, nd_named_action(game, action, NODULUM_VECTOR), x, y); }
void nodulum_motion(const nodulum_game *game, const char *action, double *x, double *y) { nodulum_value_motion(game->state, nd_named_action(game, action, NODULUM_MOTION), x, y); }
double nodulum_delta(const nodulum_game *game, const char *action) { return nodulum_value_delta(game->state, nd_named_action(game, action, NODULUM_DELTA)); }
const nodulum_layout *nodulum_layout_of(const nodulum_game *game) { return game->layout; }
const nodulum_placed *nodulum_placed_of(const nodulum_game *game) { return game->placed; }
nodulum_state *nodulum_state_of(nodulum_game *game) { return game->state; }

#else /* NODULUM_NONE: the same calls, resting values. A layout without actions and controls is all there is. */

static char nd_nothing;
size_t nodulum_measure(const char *json, size_t length) {
  (void)json;
  (void)length;
  return 1;
}
nodulum_layout *nodulum_read(const char *json, size_t length, void *memory, size_t size, nodulum_error *error) {
  (void)json;
  (void)length;
  (void)memory;
  (void)size;
  (void)error;
  return (nodulum_layout *)(void *)&nd_nothing;
}
#define ND_REST(type, name, of, value) \
  type name(of) { \
    (void)nothing; \
    return value; \
  }
ND_REST(const char *, nodulum_name, const nodulum_layout *nothing, "")
ND_REST(const char *, nodulum_digest, const nodulum_layout *nothing, "")
ND_REST(int, nodulum_action_count, const nodulum_layout *nothing, 0)
ND_REST(int, nodulum_moment_count, const nodulum_layout *nothing, 0)
ND_REST(size_t, nodulum_place_size, const nodulum_layout *nothing, 1)
ND_REST(double, nodulum_scale, const nodulum_placed *nothing, 1)
ND_REST(const char *, nodulum_arrangement, const nodulum_placed *nothing, NULL)
ND_REST(int, nodulum_control_count, const nodulum_placed *nothing, 0)
ND_REST(size_t, nodulum_state_size, const nodulum_placed *nothing, 1)
ND_REST(double, nodulum_time, const nodulum_state *nothing, 0)
ND_REST(int, nodulum_time_faults, const nodulum_state *nothing, 0)
#undef ND_REST
#define ND_REST(type, name, of, value) \
  type name(of, int index) { \
    (void)nothing; \
    (void)index; \
    return value; \
  }
ND_REST(const char *, nodulum_action_name, const nodulum_layout *nothing, NULL)
ND_REST(int, nodulum_action_kind, const nodulum_layout *nothing, -1)
ND_REST(const char *, nodulum_moment_id, const nodulum_layout *nothing, NULL)
ND_REST(int, nodulum_value_press, const nodulum_state *nothing, 0)
ND_REST(double, nodulum_value_axis, const nodulum_state *nothing, 0)
ND_REST(int, nodulum_just_pressed, const nodulum_state *nothing, 0)
ND_REST(int, nodulum_just_released, const nodulum_state *nothing, 0)
ND_REST(double, nodulum_value_delta, const nodulum_state *nothing, 0)
#undef ND_REST
int nodulum_action_index(const nodulum_layout *layout, const char *name) {
  (void)layout;
  (void)name;
  return -1;
}
void nodulum_player_sizes(const nodulum_layout *layout, double *least, double *greatest) {
  (void)layout;
  *least = *greatest = 1;
}
nodulum_placed *nodulum_place(const nodulum_layout *layout, const nodulum_screen *screen, const nodulum_view *view, void *memory, size_t size) {
  (void)layout;
  (void)screen;
  (void)view;
  (void)memory;
  (void)size;
  return (nodulum_placed *)(void *)&nd_nothing;
}
int nodulum_control_at(const nodulum_placed *placed, int index, nodulum_control *out) {
  (void)placed;
  (void)index;
  memset(out, 0, sizeof(*out));
  return 0;
}
int nodulum_control_in(const nodulum_placed *placed, int index, const char *moment) {
  (void)placed;
  (void)index;
  (void)moment;
  return 0;
}
int nodulum_cluster_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box, double *k) {
  (void)placed;
  (void)index;
  (void)id;
  (void)box;
  (void)k;
  return 0;
}
int nodulum_zone_at(const nodulum_placed *placed, int index, const char **id, nodulum_box *box) {
  (void)placed;
  (void)index;
  (void)id;
  (void)box;
  return 0;
}
int nodulum_zone_in(const nodulum_placed *placed, int index, const char *moment) {
  (void)placed;
  (void)index;
  (void)moment;
  return 0;
}
nodulum_state *nodulum_begin(const nodulum_placed *placed, const char *moment, void *memory, size_t size) {
  (void)placed;
  (void)moment;
  (void)memory;
  (void)size;
  return (nodulum_state *)(void *)&nd_nothing;
}
int nodulum_advance(const nodulum_placed *placed, nodulum_state *state, const nodulum_event *events, size_t count, double tick_ms) {
  (void)placed;
  (void)state;
  (void)events;
  (void)count;
  (void)tick_ms;
  return 0;
}
void nodulum_value_vector(const nodulum_state *state, int index, double *x, double *y) {
  (void)state;
  (void)index;
  *x = *y = 0;
}
void nodulum_value_motion(const nodulum_state *state, int index, double *x, double *y) { nodulum_value_vector(state, index, x, y); }
const char *nodulum_moment(const nodulum_placed *placed, const nodulum_state *state) {
  (void)placed;
  (void)state;
  return NULL;
}
int nodulum_carry(const nodulum_placed *from, const nodulum_state *before, const nodulum_placed *to, nodulum_state *after) {
  (void)from;
  (void)before;
  (void)to;
  (void)after;
  return 0;
}
int nodulum_takes(const nodulum_placed *placed, const nodulum_state *state, double x, double y) {
  (void)placed;
  (void)state;
  (void)x;
  (void)y;
  return -1;
}
int nodulum_give(const nodulum_placed *placed, nodulum_state *state, int index, const nodulum_given *given) {
  (void)placed;
  (void)state;
  (void)index;
  (void)given;
  return 0;
}
int nodulum_look_at(const nodulum_placed *placed, const nodulum_state *state, int index, nodulum_look *out) {
  (void)placed;
  (void)state;
  (void)index;
  memset(out, 0, sizeof(*out));
  return 0;
}

nodulum_game *nodulum_open(const char *json, size_t length, const nodulum_screen *screen, const nodulum_view *view, const nodulum_allocator *allocator, nodulum_error *error) {
  (void)json;
  (void)length;
  (void)screen;
  (void)view;
  (void)allocator;
  if (error != NULL) memset(error, 0, sizeof(*error));
  return (nodulum_game *)(void *)&nd_nothing;
}
void nodulum_close(nodulum_game *game) { (void)game; }
int nodulum_turn(nodulum_game *game, const nodulum_screen *screen, const nodulum_view *view) {
  (void)game;
  (void)screen;
  (void)view;
  return 1;
}
int nodulum_touch(nodulum_game *game, int type, double t, int64_t id, double x, double y) {
  (void)game;
  (void)type;
  (void)t;
  (void)id;
  (void)x;
  (void)y;
  return 1;
}
int nodulum_key(nodulum_game *game, double t, const char *code, int on) {
  (void)game;
  (void)t;
  (void)code;
  (void)on;
  return 1;
}
int nodulum_pad(nodulum_game *game, double t, const double *buttons, int button_count, const double *axes, int axis_count) {
  (void)game;
  (void)t;
  (void)buttons;
  (void)button_count;
  (void)axes;
  (void)axis_count;
  return 1;
}
int nodulum_enter(nodulum_game *game, double t, const char *moment) {
  (void)game;
  (void)t;
  (void)moment;
  return 1;
}
int nodulum_step(nodulum_game *game, double t) {
  (void)game;
  (void)t;
  return 0;
}
#define ND_REST_BY_NAME(type, name) \
  type name(const nodulum_game *game, const char *action) { \
    (void)game; \
    (void)action; \
    return 0; \
  }
ND_REST_BY_NAME(int, nodulum_press)
ND_REST_BY_NAME(double, nodulum_axis)
ND_REST_BY_NAME(double, nodulum_delta)
#undef ND_REST_BY_NAME
void nodulum_vector(const nodulum_game *game, const char *action, double *x, double *y) {
  (void)game;
  (void)action;
  *x = *y = 0;
}
void nodulum_motion(const nodulum_game *game, const char *action, double *x, double *y) { nodulum_vector(game, action, x, y); }
const nodulum_layout *nodulum_layout_of(const nodulum_game *game) { return (const nodulum_layout *)(const void *)game; }
const nodulum_placed *nodulum_placed_of(const nodulum_game *game) { return (const nodulum_placed *)(const void *)game; }
nodulum_state *nodulum_state_of(nodulum_game *game) { return (nodulum_state *)(void *)game; }

#endif /* NODULUM_NONE */
#endif /* NODULUM_IMPLEMENTATION */
