package rhetor.core.sheet;

/**
 * Where in a file its table stands. Found by computation, and a person may say otherwise.
 *
 * @param worksheet the worksheet's name; empty for files that have none
 * @param headingRow number of the first row that names the columns; 0 if none does, as in records
 *     that name their own
 * @param headingRows how many rows name them: one, or two where headings are grouped; 0 if none
 *     does
 * @param firstRow number of the first row that can be a product
 */
public record SheetShape(String worksheet, int headingRow, int headingRows, int firstRow) {
  /** Records, which have no heading row. */
  static final SheetShape RECORDS = new SheetShape("", 0, 0, 1);

  /** A table whose columns nothing names. */
  static SheetShape withoutHeadings(String worksheet, int firstRow) {
    return new SheetShape(worksheet, 0, 0, firstRow);
  }

  public SheetShape {
    if (headingRow < 0
        || headingRows < 0
        || headingRows > 2
        || headingRow == 0 != (headingRows == 0)
        || firstRow < headingRow + headingRows
        || firstRow < 1) {
      throw new IllegalArgumentException(
          "The first product has to stand below the headings, and headings take one row or two.");
    }
  }
}
