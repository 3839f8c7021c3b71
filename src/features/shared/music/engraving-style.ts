/** How engraved music looks. It stands in a shadow tree: three thousand small shapes that no rule of the application's
 * own style sheet needs to be tried on. Variables and fonts reach into it. */
export const ENGRAVING_STYLE = `
/* Systems out of sight are laid out and painted only when they come into sight. */
.system {
  position: relative;
  content-visibility: auto;
  contain-intrinsic-size: auto 320px;
}
/* What is drawn over a system lies exactly on its picture. */
.over {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.over svg {
  height: 100%;
}
/* What the engraver says of its own pictures. */
.picture :is(path, ellipse, polygon, polyline, rect) {
  stroke: currentColor;
}
.fing,
.tempo,
.ending,
.reh {
  font-weight: bold;
}
.dir,
.dynam,
.mNum {
  font-style: italic;
}
.over [data-press] {
  pointer-events: auto;
  cursor: pointer;
}

/* The engraved page takes the ink of the theme. */
svg {
  display: block;
  width: 100%;
  height: auto;
  color: var(--color-base-content);
  fill: currentColor;
}

/* On a card the whole opening is seen, both staves of it. */
:host([data-fits='height']) svg {
  width: auto;
  max-width: 100%;
  height: 8.5rem;
}
text {
  font-family: var(--font-serif);
}
.over text {
  font-family: var(--font-sans);
}
.fing text {
  font-family: var(--font-sans);
  font-weight: 700;
}
.note,
.chord,
.rest {
  cursor: pointer;
}

/* What was played otherwise has a broad halo, until it is the one that is looked at. */
.is-wrong .notehead path {
  stroke: color-mix(in oklab, var(--color-error) 55%, transparent);
  stroke-width: 170px;
  paint-order: stroke;
}
/* What a hand note speaks of has a halo, in the colour of the fingers on the keyboard map; what sounds now is coloured. */
.is-pointed .notehead path {
  stroke: #d9a441;
  stroke-width: 110px;
  paint-order: stroke;
}
.is-signed .notehead path {
  stroke: color-mix(in oklab, var(--color-primary) 40%, transparent);
  stroke-width: 150px;
  paint-order: stroke;
}
.is-taken .notehead path {
  stroke: var(--color-primary);
  stroke-width: 90px;
}
.is-faint {
  opacity: 0.28;
}
.is-now path {
  color: var(--color-primary);
  fill: var(--color-primary);
}
`;
