import { compare, numberOf, ownField, plus, same } from '../../template/expression/operators.js';
import { isFilled, isFull, isSomething, plainText } from '../../template/index.js';
import { escapeAttribute, escapeText, isSafe } from '../escape.js';
import {
  acceptedText,
  anyItem,
  apart,
  attempt,
  attribute,
  attributeOfValue,
  calledFrame,
  changing,
  failed,
  filledSlot,
  fillOf,
  hostText,
  listOf,
  provide,
  settleLate,
  sharedNow,
  shown,
} from '../runtime.js';

/** What written code calls, by name. */
export const lattice = {
  acceptedText,
  anyItem,
  apart,
  attempt,
  attribute,
  attributeOfValue,
  calledFrame,
  changing,
  compare,
  escapeAttribute,
  escapeText,
  failed,
  fillOf,
  filledSlot,
  hostText,
  isFilled,
  isFull,
  isSafe,
  isSomething,
  listOf,
  numberOf,
  ownField,
  plainText,
  plus,
  provide,
  same,
  settleLate,
  sharedNow,
  shown,
};

export type LatticeName = keyof typeof lattice;
