// Made by scripts/generate.mjs from the web standards’ data packages; do not edit.

/** Attributes that every HTML element takes; `data-*` and `aria-*` come on top. */
export const globalNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'accesskey autocapitalize autocorrect autofocus class contenteditable dir draggable enterkeyhint exportparts hidden id inert inputmode is itemid itemprop itemref itemscope itemtype lang nonce part popover role slot spellcheck style tabindex title translate writingsuggestions headingoffset headingreset'.split(' '),
);

export const ariaNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'activedescendant atomic autocomplete busy checked colcount colindex colspan controls current describedby disabled errormessage expanded flowto haspopup hidden invalid label labelledby level live modal multiline multiselectable orientation owns placeholder posinset pressed readonly relevant required roledescription rowcount rowindex rowspan selected setsize sort valuemax valuemin valuenow valuetext details keyshortcuts'.split(' '),
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
