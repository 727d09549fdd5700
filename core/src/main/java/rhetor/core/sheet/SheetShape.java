package rhetor.core.sheet;

/**
 * Where in a file its table stands. Found by computation, and a person may say otherwise.
 *
 * @param worksheet the worksheet's name; empty for files that have none
 * @param headingRow number of the first row that names the columns; 0 for records that name their
 *     own
 * @param headingRows how many rows name them: one, or two where headings are grouped
 * @param firstRow number of the first row that can be a product
 */
public record SheetShape(String worksheet, int headingRow, int headingRows, int firstRow) {
  /** Records, which have no heading row. */
  static final SheetShape RECORDS = new SheetShape("", 0, 0, 1);

  public SheetShape {
    if (headingRow < 0
        || headingRows < 0
        || headingRows > 2
        || firstRow < headingRow + headingRows) {
      throw new IllegalArgumentException(
          "The first product has to stand below the headings, and headings take one row or two.");
    }
  }
}
