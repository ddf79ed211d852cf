/** A file name of a piece's name and its faces' names, safe on every common file system. */
export function fileName(piece: string, faces: readonly string[], extension: string): string {
  const plain = (text: string) =>
    text
      .normalize("NFC")
      .replace(/[\u0000-\u001f\u007f<>:"/\\|?*]+/g, " ")
      .replace(/\s+/g, " ")
      .replace(/^[. ]+|[. ]+$/g, "");
  const name = [plain(piece) || "Piece", ...new Set(faces.map(plain).filter(Boolean))].join(" - ");
  return `${[...name].slice(0, 120).join("")}.${extension}`;
}
