/** Everyday words of English and of programming, of which names may be made without standing in docs/GLOSSARY.md. */
export const COMMON_WORDS: ReadonlySet<string> = new Set(
  `
  about add added advance advice align aligned alignment alignments all any apart apply area art as at back back backdrop between bind binding bindings
  blur border bounds box by bytes calculate can cancel captured carries carry centre change check checked choice circle clamp class classes clear clearance
  code codes colour columns common compare compile constant constants contains context contrast convert copies copy covered csv curve data default delete
  dissolve distance distribute do doc docs done down duplicate edge edges edit empty end ends enough entry error event events extent fall falls farthest
  field fields figures file fill find first fit fits fitting for form format formed forms found fraction frames from gap gaps gather gives go group groups guide
  half hand help hidden hide icon id identifiers ids ignored in index initial ink input inputs intervals into is item join json junit keep key kind kinds known language
  languages layouts lead least leaves left length let lift likely limits linear list listed log looks lost luminance magnitude main make match mean measure
  metrics migrate migration migrations mismatch mismatches mm ms mouse move moved name names nearest new node not number of off offer ok on one only open or
  orientation other out outside output over own pair pairs paste path pattern per picture place placed placement placements places point points
  prepare prepared preview print problem problems put px radius range rank ratio read reader reading receive record refit refused remove rename reorder
  repeat report resolved result rewritten rgb same schema screen screens seen selectable set setup severities severity shape short shown side size
  snapped snapshot source sources spaced split square state step strength sum switch target targets term text the time times to touch touches two type types
  under unit units up value values version view when whole why width with within word words work working worse write xml zero units plug unplug unbind
  base be byte create large row rows table terminal too decode deeper mark order element json letters limit named nested pixel png jpeg webp svg tell through utf without
  growth letter three overflowing options markdown game description sign matching closing before after called memoized enumeration handlers follow start
  backup contents line telling accept again angle applied axes made merged most negative no onto middle hundred worst height bar font attributes html style content paper papers asked escaped reported figure page play playing parse readable positive standards subject subjects serving slide taken typed turn keeper undo redo unwritten
  canvas checklist direction directions facing guess
  above aim attempt better claim depth descend derivative further impossible kinship outcome predicted prices programme progress proved quadratic raised reached reason remainder request said scope shared next pressing price settled settling slot small solution solve support task thresholds variable visual facts way wishing spoiled needed rectangle rectangles transform wish y document once
  against allowed alone along broken changeable changeables cover good lower lowered rate rates some spelled usually worded
  ending message messages missing sentence sentences piece pieces sort sorted without zip zips
  `
    .trim()
    .split(/\s+/),
);
