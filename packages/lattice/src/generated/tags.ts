// Made by scripts/generate.mjs from the web standards’ data packages; do not edit.

/** The elements of the HTML standard that are not obsolete (https://html.spec.whatwg.org/#elements-3). */
export const htmlTags: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'html head title base link meta style body article section nav aside h1 h2 h3 h4 h5 h6 hgroup header footer address p hr pre blockquote ol ul menu li dl dt dd figure figcaption main search div a em strong small s cite q dfn abbr ruby rt rp data time code var samp kbd sub sup i b u mark bdi bdo span br wbr ins del picture source img iframe embed object video audio track map area table caption colgroup col tbody thead tfoot tr td th form label input button select datalist optgroup option textarea output progress meter fieldset legend details summary dialog script noscript template slot canvas'.split(' '),
);

/** The elements of SVG (https://www.w3.org/TR/SVG2/eltindex.html). */
export const svgTags: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'a animate animateMotion animateTransform circle clipPath defs desc ellipse feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence filter foreignObject g image line linearGradient marker mask metadata mpath path pattern polygon polyline radialGradient rect script set stop style svg switch symbol text textPath title tspan use view'.split(' '),
);
