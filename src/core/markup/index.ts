export { childAt, childElements, childText, element, firstChild, isElement, textOf } from './element';
export type { XmlDocument, XmlElement, XmlNode, XmlOther, XmlText } from './element';
export { mapChildren, withAttribute, withChild, withChildren, withoutAttributes, withoutChildren } from './change';
