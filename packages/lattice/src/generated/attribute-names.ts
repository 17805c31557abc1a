// Made by scripts/generate.mjs from the web standards’ data packages; do not edit.

/** Attributes that every HTML element takes; `data-*` and `aria-*` come on top. */
export const globalNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'accesskey autocapitalize autocorrect autofocus class contenteditable dir draggable enterkeyhint exportparts hidden id inert inputmode is itemid itemprop itemref itemscope itemtype lang nonce part popover role slot spellcheck style tabindex title translate writingsuggestions headingoffset headingreset'.split(' '),
);

export const ariaNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'activedescendant atomic autocomplete busy checked colcount colindex colspan controls current describedby disabled errormessage expanded flowto haspopup hidden invalid label labelledby level live modal multiline multiselectable orientation owns placeholder posinset pressed readonly relevant required roledescription rowcount rowindex rowspan selected setsize sort valuemax valuemin valuenow valuetext details keyshortcuts'.split(' '),
);

/** The words that these take, `#` for a number; what is not here takes text or ids. */
export const ariaWords: Readonly<Record<string, string>> = {
  "aria-atomic": "true|false",
  "aria-autocomplete": "inline|list|both|none",
  "aria-busy": "true|false",
  "aria-checked": "mixed|undefined|true|false",
  "aria-colcount": "#",
  "aria-colindex": "#",
  "aria-colspan": "#",
  "aria-current": "page|step|location|date|time|true|false",
  "aria-disabled": "true|false",
  "aria-expanded": "undefined|true|false",
  "aria-haspopup": "menu|listbox|tree|grid|dialog|true|false",
  "aria-hidden": "true|false",
  "aria-invalid": "grammar|spelling|true|false",
  "aria-level": "#",
  "aria-live": "off|polite|assertive",
  "aria-modal": "true|false",
  "aria-multiline": "true|false",
  "aria-multiselectable": "true|false",
  "aria-orientation": "vertical|horizontal|undefined",
  "aria-posinset": "#",
  "aria-pressed": "mixed|undefined|true|false",
  "aria-readonly": "true|false",
  "aria-relevant": "additions|removals|text|all|additions text",
  "aria-required": "true|false",
  "aria-rowcount": "#",
  "aria-rowindex": "#",
  "aria-rowspan": "#",
  "aria-selected": "undefined|true|false",
  "aria-setsize": "#",
  "aria-sort": "ascending|descending|none|other",
  "aria-valuemax": "#",
  "aria-valuemin": "#",
  "aria-valuenow": "#"
};

/** The values of `role` (https://www.w3.org/TR/wai-aria-1.2/#role_definitions, https://www.w3.org/TR/dpub-aria-1.1/). */
export const roles: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'alert alertdialog button checkbox dialog gridcell link log marquee menuitem menuitemcheckbox menuitemradio option progressbar radio scrollbar searchbox slider spinbutton status switch tab tabpanel textbox timer tooltip treeitem combobox grid listbox menu menubar radiogroup tablist tree treegrid application article cell columnheader definition directory document feed figure group heading img list listitem math none note presentation region row rowgroup rowheader separator table term text toolbar banner complementary contentinfo form main navigation region search doc-abstract doc-acknowledgments doc-afterword doc-appendix doc-backlink doc-biblioentry doc-bibliography doc-biblioref doc-chapter doc-colophon doc-conclusion doc-cover doc-credit doc-credits doc-dedication doc-endnote doc-endnotes doc-epigraph doc-epilogue doc-errata doc-example doc-footnote doc-foreword doc-glossary doc-glossref doc-index doc-introduction doc-noteref doc-notice doc-pagebreak doc-pagelist doc-part doc-preface doc-prologue doc-pullquote doc-qna doc-subtitle doc-tip doc-toc'.split(' '),
);

/** The attributes that each HTML element takes of its own. */
export const ownNames: Readonly<Record<string, string>> = {
  "base": "href target",
  "link": "href crossorigin rel as media integrity hreflang type sizes imagesrcset imagesizes referrerpolicy blocking disabled fetchpriority",
  "meta": "name http-equiv content media charset property",
  "style": "media blocking",
  "blockquote": "cite",
  "ol": "reversed start type",
  "li": "value",
  "a": "download ping rel referrerpolicy hreflang type href target",
  "q": "cite",
  "data": "value",
  "time": "datetime",
  "ins": "cite datetime",
  "del": "cite datetime",
  "source": "src type srcset sizes media width height",
  "img": "alt src srcset sizes crossorigin usemap ismap controls width height referrerpolicy decoding loading fetchpriority",
  "iframe": "src srcdoc name sandbox allow allowfullscreen width height referrerpolicy loading",
  "embed": "src type width height",
  "object": "data type name width height form",
  "video": "width height poster playsinline src crossorigin preload autoplay loop controls muted loading",
  "audio": "src crossorigin preload autoplay loop controls muted loading",
  "track": "kind src srclang label default",
  "map": "name",
  "area": "alt coords shape download ping rel referrerpolicy hreflang type href target",
  "table": "caption thead tfoot",
  "colgroup": "span",
  "col": "span",
  "td": "colspan rowspan headers",
  "th": "colspan rowspan headers scope abbr",
  "form": "accept-charset action autocomplete enctype method name novalidate target rel",
  "label": "for",
  "input": "accept alpha alt autocomplete checked colorspace dirname disabled formaction formenctype formmethod formnovalidate formtarget height max maxlength min minlength multiple name pattern placeholder readonly required size src step type value width popovertarget popovertargetaction form list",
  "button": "command commandfor disabled formaction formenctype formmethod formnovalidate formtarget name type value popovertarget popovertargetaction form",
  "select": "autocomplete disabled multiple name required size value form",
  "optgroup": "disabled label",
  "option": "disabled label selected value",
  "textarea": "autocomplete cols dirname disabled maxlength minlength name placeholder readonly required rows wrap value form",
  "output": "for name value form",
  "progress": "value max",
  "meter": "value min max low high optimum",
  "fieldset": "disabled name form",
  "details": "name open",
  "dialog": "open closedby",
  "script": "type src nomodule async defer blocking crossorigin referrerpolicy integrity fetchpriority",
  "template": "for shadowrootmode shadowrootdelegatesfocus shadowrootserializable shadowrootslotassignment shadowrootclonable shadowrootcustomelementregistry",
  "slot": "name",
  "canvas": "width height"
};
