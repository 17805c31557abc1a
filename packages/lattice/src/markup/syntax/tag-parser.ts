// The parser that tells of each tag. The build puts its code here, with what it takes of Node's streams beside it: an edge
// runtime has none.
export { type EndTag, SAXParser, type StartTag } from 'parse5-sax-parser';
