/** Stands for the packages that the PDF writer asks for when it pictures a page, which it never does here. */
export default function leftOut(): never {
  throw new Error('This app writes its pages as vectors: nothing here pictures a page.')
}
