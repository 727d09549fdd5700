package rhetor.core.sheet;

/**
 * How large a sheet may be.
 *
 * @param bytes most bytes of the file
 * @param rows most rows below the headings
 * @param columns most columns
 * @param cellCharacters most characters in one cell; a longer one makes its row unusable, not the
 *     sheet
 */
public record SheetLimits(long bytes, int rows, int columns, int cellCharacters) {
  /**
   * What Rhetor takes unless told otherwise: 100 MB, 200,000 rows, 300 columns, 100,000 characters.
   */
  public static final SheetLimits STANDARD = new SheetLimits(100_000_000, 200_000, 300, 100_000);
}
