package rhetor.core.sheet;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * The rows of a worksheet as they were once parsed, in a file beside it: workbooks take long to
 * parse, and a sheet is read at least twice. A file that isn't complete is never read.
 */
final class KeptRows implements RowStream {
  private static final String MAGIC = "rhetor rows 2";
  private static final int BUFFER = 1 << 16;

  private final DataInputStream in;

  private KeptRows(DataInputStream in) {
    this.in = in;
  }

  /** The rows of a worksheet, if a file has them. */
  static Optional<KeptRows> open(String worksheet, Path file) {
    if (!Files.isRegularFile(file)) {
      return Optional.empty();
    }
    try {
      DataInputStream in =
          new DataInputStream(new BufferedInputStream(Files.newInputStream(file), BUFFER));
      if (in.readUTF().equals(MAGIC) && in.readUTF().equals(worksheet)) {
        return Optional.of(new KeptRows(in));
      }
      in.close();
      return Optional.empty();
    } catch (IOException e) {
      // Whatever it is, or if it has just gone, the workbook itself is there.
      return Optional.empty();
    }
  }

  @Override
  public SheetRow next() {
    try {
      int number = in.readInt();
      if (number == 0) {
        return null;
      }
      byte[] row = in.readNBytes(in.readInt());
      ByteBuffer bytes = ByteBuffer.wrap(row);
      int width = bytes.getInt();
      List<String> cells = new ArrayList<>(width);
      for (int i = 0; i < width; i++) {
        int length = bytes.getInt();
        cells.add(new String(row, bytes.position(), length, StandardCharsets.UTF_8));
        bytes.position(bytes.position() + length);
      }
      return new SheetRow(number, cells, new BitSet());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void close() {
    try {
      in.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Writes rows without quotes, and puts the file in its place when all are there. */
  static final class Writer implements AutoCloseable {
    private final Path file;
    private final Path growing;
    private final DataOutputStream out;

    Writer(String worksheet, Path file) {
      try {
        this.file = file;
        this.growing = Files.createTempFile(file.toAbsolutePath().getParent(), "rows-", ".part");
        this.out =
            new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(growing), BUFFER));
        out.writeUTF(MAGIC);
        out.writeUTF(worksheet);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    void write(SheetRow row) {
      try {
        List<byte[]> cells = new ArrayList<>(row.cells().size());
        int size = Integer.BYTES;
        for (String cell : row.cells()) {
          byte[] bytes = cell.getBytes(StandardCharsets.UTF_8);
          cells.add(bytes);
          size += Integer.BYTES + bytes.length;
        }
        out.writeInt(row.number());
        out.writeInt(size);
        out.writeInt(cells.size());
        for (byte[] bytes : cells) {
          out.writeInt(bytes.length);
          out.write(bytes);
        }
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    void finish() {
      try {
        out.writeInt(0);
        out.close();
        Files.move(growing, file, StandardCopyOption.REPLACE_EXISTING);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    /** Leaves nothing of what wasn't finished. */
    @Override
    public void close() {
      try {
        out.close();
        Files.deleteIfExists(growing);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }
}
