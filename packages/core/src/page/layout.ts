/**
 * A layout: the measured boxes of a page's elements at one viewport size, with every motion switched off.
 * It is what the probe sends, what the server stores and what every computation starts from.
 */
import * as z from 'zod';
import { MAX_ELEMENTS } from './max-elements.ts';
import { ComputedSchema } from './computed-values.ts';
import { OwnMotionSchema } from './own-motion.ts';
import { MAX_PX, senseProblem } from './sense.ts';

const px = z.number().min(-MAX_PX).max(MAX_PX);
const index = z.number().int().min(0);

export const ViewportSchema = z.strictObject({
  width: z.number().int().min(200).max(8000),
  height: z.number().int().min(200).max(8000),
});

/** Border box in the scroller's content coordinates; transforms ignored; sticky shift taken out. */
export const BoxSchema = z.strictObject({ x: px, y: px, width: px, height: px });

/**
 * How a sticky element, or one inside it, is carried along. While the scroll offset passes `at`, the box stays with the
 * scrollport for `travel` px (top-sticky), or has been ahead of its place by `travel` px until `at` (bottom-sticky).
 */
export const StickySchema = z.strictObject({ edge: z.enum(['start', 'end']), at: px, travel: px });

/** What is known of a picture’s or video’s file. */
export const FileSchema = z.strictObject({
  /** as the page has it */
  src: z.string().max(500),
  /** px of its picture */
  width: px.optional(),
  height: px.optional(),
  /** of a video, s; none: not known yet */
  duration: z.number().min(0).max(1e6).optional(),
  preload: z.enum(['none', 'metadata', 'auto']).optional(),
  poster: z.boolean().optional(),
  /** read from the file itself: how large it is, and the most pictures from one key frame to the next */
  bytes: z.number().int().min(0).optional(),
  keyFrames: z.number().min(0).max(1e6).optional(),
});

export const ElementSchema = z.strictObject({
  selector: z.string().max(2000),
  tag: z.string().max(60),
  text: z.string().max(120),
  /** what names it for people: its label, its alternative text, its heading */
  label: z.string().max(120).optional(),
  /** its id and classes, as in a selector: `#id.class.class` */
  idClass: z.string().max(300).optional(),
  /** index in `elements` of the nearest measured ancestor, −1 for none */
  parent: z.number().int().min(-1),
  section: z.number().int().min(-1),
  scroller: index,
  box: BoxSchema,
  /** what its own view timeline takes instead of its box, from the box’s corner on, as this browser sees it: shapes of drawings, words in lines, pieces of columns */
  asSubject: BoxSchema.optional(),
  sticky: StickySchema.nullable(),
  fixed: z.boolean(),
  /** its height, where the page declares it as a share of the viewport: `min-height`, `100vh` */
  viewportHeight: z.strictObject({ property: z.string().max(20), value: z.string().max(20) }).optional(),
  /** computed `position` where it is not `static` */
  position: z.enum(['relative', 'absolute', 'fixed', 'sticky']).optional(),
  /** computed `overflow` where it is not `visible` */
  overflow: z.string().max(40).optional(),
  /** establishes a containing block for fixed descendants (transform, filter, contain …) */
  contains: z.boolean().optional(),
  /** inside a `content-visibility: auto` subtree that was not laid out: sizes are the browser's estimate */
  estimated: z.boolean().optional(),
  /** computed values that differ from the initial ones, for keyframes without their own ends */
  base: z.record(z.string().max(80), z.string().max(400)).optional(),
  fontSize: px.optional(),
  /** content box, where padding and borders make it smaller than the border box */
  content: z.strictObject({ width: px, height: px }).optional(),
  /** how wide its contents are, where they reach beyond its right edge */
  overflowing: px.optional(),
  /** size of the query container that `cqw` and its kin refer to, where it is not the viewport */
  container: z.strictObject({ width: px, height: px }).optional(),
  /** mean background tint as `#rrggbb`, for the strip */
  tint: z.string().max(9).optional(),
  kind: z.enum(['text', 'image', 'box']).optional(),
  /** of pictures and videos: the file that is shown, and how it is asked for */
  file: FileSchema.optional(),
  /** the keyboard gets there */
  focus: z.boolean().optional(),
  /** a link of the page leads there */
  anchor: z.boolean().optional(),
});

export const ScrollerSchema = z.strictObject({
  /** null for the page itself */
  selector: z.string().max(2000).nullable(),
  /** padding box: what percentages and phases measure against */
  port: z.strictObject({ width: px, height: px }),
  max: z.strictObject({ block: px, inline: px }),
  /** `scroll-padding` along the block axis, which `auto` insets take */
  padding: z.tuple([z.string().max(60), z.string().max(60)]).optional(),
  /** the same along the inline axis */
  paddingInline: z.tuple([z.string().max(60), z.string().max(60)]).optional(),
  rtl: z.boolean().optional(),
  /** its block axis runs across */
  vertical: z.boolean().optional(),
});

export const SectionSchema = z.strictObject({
  name: z.string().max(120),
  top: px,
  height: px,
});

/** Its shape alone; `LayoutSchema` says besides that it makes sense. */
const LayoutShape = z.strictObject({
  format: z.literal('lyvek-layout'),
  version: z.literal(1),
  viewport: ViewportSchema,
  page: z.strictObject({
    width: px,
    height: px,
    rem: px.optional(),
    /** `overflow-x` of html or body keeps readers from scrolling it sideways */
    hidesInline: z.boolean().optional(),
    /** what its `<meta name="viewport">` says; empty where it has none; not known of pages that were measured before it was asked */
    viewportMeta: z.string().max(300).optional(),
    /** listeners that may stop a scroll, on the page or on something that fills much of the window */
    blocking: z
      .array(z.strictObject({ type: z.string().max(20), on: z.string().max(100) }))
      .max(20)
      .optional(),
  }),
  /** the page itself comes first */
  scrollers: z.array(ScrollerSchema).min(1).max(400),
  sections: z.array(SectionSchema).max(400),
  elements: z.array(ElementSchema).max(MAX_ELEMENTS),
  /** which elements each selector of the document matched */
  matches: z.record(z.string().max(2000), z.array(index).max(MAX_ELEMENTS)),
  /** what the page moves by itself */
  own: z.array(OwnMotionSchema).max(400).optional(),
  /** names of the page’s own `@keyframes` */
  keyframeNames: z.array(z.string().max(200)).max(2000).optional(),
  /** values that the browser has read, for what cannot be read without it */
  values: z.array(ComputedSchema).max(2000).optional(),
  /** pins that were in place when the page was measured, with how far they held */
  pins: z
    .array(
      z.strictObject({ id: z.string().max(60), element: index, by: z.enum(['top', 'bottom']), distance: px }),
    )
    .max(200)
    .optional(),
  /** fingerprint of the adjustments that were in place then; none: there were none */
  adjusted: z.string().max(20).optional(),
  /** selectors that miss their elements once pins have changed the HTML; those carry a mark instead (see format/selectors/marks.ts) */
  marked: z.array(z.string().max(2000)).max(2000).optional(),
  /** rules of the page that its pins’ wrappers would make miss or hit by accident, as they are written again */
  kept: z
    .array(
      z.strictObject({
        selector: z.string().max(2000),
        css: z.string().max(8000),
        within: z.array(z.string().max(600)).max(12),
        /** for elements that it misses, which is meant where nothing is said; that another rule hits by accident; for a wrapper or its section */
        kind: z.enum(['missed', 'gained', 'track', 'stage']).optional(),
        /** the selector that hits by accident, or the pin */
        of: z.string().max(2000).optional(),
      }),
    )
    .max(400)
    .optional(),
  /** plain sentences about what could not be measured */
  notes: z.array(z.string().max(400)).max(60),
});

export const LayoutSchema = LayoutShape.superRefine((layout, ctx) => {
  const problem = senseProblem(layout);
  if (problem) ctx.addIssue({ code: 'custom', message: problem });
});

export type Viewport = z.infer<typeof ViewportSchema>;
export type Box = z.infer<typeof BoxSchema>;
export type Sticky = z.infer<typeof StickySchema>;
export type ElementFacts = z.infer<typeof ElementSchema>;
export type FileFacts = z.infer<typeof FileSchema>;
export type Scroller = z.infer<typeof ScrollerSchema>;
export type Section = z.infer<typeof SectionSchema>;
export type Layout = z.infer<typeof LayoutShape>;

/** An empty layout of a given size, for pages that have not been measured yet. */
export const emptyLayout = (viewport: Viewport): Layout => ({
  format: 'lyvek-layout',
  version: 1,
  viewport,
  page: { ...viewport },
  scrollers: [{ selector: null, port: { ...viewport }, max: { block: 0, inline: 0 } }],
  sections: [],
  elements: [],
  matches: {},
  notes: [],
});

/** Elements that a selector stands for: as the browser matched it, or the one measured under just this selector. */
export function findMatches(layout: Layout, selector: string): readonly number[] {
  const known = layout.matches[selector];
  if (known) return known;
  const own = layout.elements.findIndex((e) => e.selector === selector);
  return own < 0 ? [] : [own];
}
