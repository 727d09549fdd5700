package rhetor.core.sheet;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import de.siegmar.fastcsv.reader.RecordType;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Iterator;
import java.util.List;

/** Rows of delimited text (RFC 4180, with any delimiter), which know what stood in quotes. */
final class DelimitedRows implements RowStream {
  /** Above this a single field is taken for a quote that was never closed. */
  private static final int PARSER_BUFFER = 16 * 1024 * 1024;

  private final Charset charset;
  private final CsvReader<SheetRow> reader;
  private final Iterator<SheetRow> rows;
  private final RowHandler handler = new RowHandler();
  private final LoneReturns returns;

  DelimitedRows(Path file, SheetLayout layout) {
    this.charset = layout.charset();
    try {
      Reader in =
          new InputStreamReader(
              Files.newInputStream(file),
              charset
                  .newDecoder()
                  .onMalformedInput(CodingErrorAction.REPORT)
                  .onUnmappableCharacter(CodingErrorAction.REPORT));
      if (layout.byteOrderMark()) {
        in.read();
      }
      returns = layout.lineEnding().equals("\r") ? null : new LoneReturns(in);
      reader =
          CsvReader.builder()
              .fieldSeparator(layout.delimiter())
              .skipEmptyLines(false)
              .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
              .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
              .allowUnclosedQuote(false)
              .maxBufferSize(PARSER_BUFFER)
              .build(handler, returns == null ? in : returns);
      rows = reader.iterator();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public SheetRow next() {
    try {
      return rows.hasNext() ? rows.next() : null;
    } catch (CsvParseException e) {
      throw new SheetException(
          new SheetProblem(
              "unbalanced-quote",
              handler.number,
              "",
              "A quotation mark opens or closes in the middle of the row and its pair is missing,"
                  + " so the rows below can't be told apart.",
              "Close the quotation mark, or double it if it belongs to the text, and drop the"
                  + " sheet again."));
    } catch (UncheckedIOException e) {
      if (e.getCause() instanceof CharacterCodingException) {
        throw new SheetException(Encoding.broken(handler.number + 1, charset));
      }
      throw e;
    }
  }

  @Override
  public void close() {
    try {
      reader.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private final class RowHandler extends AbstractBaseCsvCallbackHandler<SheetRow> {
    private int number;
    private List<String> cells = new ArrayList<>();
    private BitSet quoted = new BitSet();

    @Override
    protected void handleBegin(long startingLineNumber) {
      number++;
      cells = new ArrayList<>(cells.size());
      quoted = new BitSet();
    }

    @Override
    protected void handleField(int index, char[] buffer, int offset, int length, boolean inQuotes) {
      String cell = new String(buffer, offset, length);
      cells.add(returns == null ? cell : returns.shown(cell));
      if (inQuotes) {
        quoted.set(index);
      }
    }

    @Override
    protected void handleEmpty() {
      cells.add("");
    }

    @Override
    protected SheetRow buildRecord() {
      return new SheetRow(number, cells, quoted);
    }

    @Override
    protected RecordType getRecordType() {
      return RecordType.DATA;
    }
  }
}
