export { childAt, childElements, childText, element, firstChild, isElement, textOf } from './element';
export type { XmlDocument, XmlElement, XmlNode } from './element';
export { mapChildren, withAttribute, withChild, withChildren, withoutAttributes, withoutChildren } from './change';
export { parseXml } from './parse-xml';
export { serialiseElement, serialiseXml } from './serialise-xml';
