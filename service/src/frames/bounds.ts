import { inPageMarks } from '@orbis/core';

/**
 * What our scripts in a preview’s document share: whether a node is of the embed. In a page that is what is
 * between two comments; everywhere else it is all. They say in `inPage` whether they are in one.
 */
export const isOfItScript = `const isOfIt = (node) => {
    const comments = document.createTreeWalker(document, NodeFilter.SHOW_COMMENT);
    const found = {};
    for (let comment; (comment = comments.nextNode()); ) found[comment.data] ??= comment;
    const [begin, end] = [found['${inPageMarks[0]}'], found['${inPageMarks[1]}']];
    // What is read before the embed is of the page.
    if (!begin) return !inPage;
    const { DOCUMENT_POSITION_FOLLOWING: follows, DOCUMENT_POSITION_PRECEDING: precedes } = Node;
    return Boolean(begin.compareDocumentPosition(node) & follows && (!end || end.compareDocumentPosition(node) & precedes));
  };`;
