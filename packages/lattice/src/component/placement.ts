/**
 * Where a component may be used. What uses it otherwise is reported when the tree is resolved and checked.
 *
 * @example
 * // Rows of a stall's board, and of whatever else calls itself a board.
 * const BoardRow = component('board-row', { placement: { parents: ['stall-board', 'board'] }, template: … });
 * const TidesBoard = component('tides-board', { placement: { names: ['board'] }, template: … });
 */
export interface Placement {
  /** Free names, by which the `parents` of other components may mean this one, besides its tag name. */
  readonly names?: readonly string[];
  /**
   * Tag names or free names of the components that it may stand in: the one in whose content or template it is written,
   * or the one that shows that content. An empty list is for what stands on a page itself. Left out, it stands anywhere.
   */
  readonly parents?: readonly string[];
}
