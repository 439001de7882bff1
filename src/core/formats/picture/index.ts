export { pictureOf, type Box, type Line, type Picture } from './layout';
export { planSvg } from './svg';
