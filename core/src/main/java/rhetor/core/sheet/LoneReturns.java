package rhetor.core.sheet;

import java.io.FilterReader;
import java.io.IOException;
import java.io.PushbackReader;
import java.io.Reader;

/**
 * Hides carriage returns that end no row from a parser that would end one there: where rows end
 * with a line feed, a carriage return alone is a part of its cell.
 */
final class LoneReturns extends FilterReader {
  /** A private character of Unicode that stands for a hidden carriage return. */
  private static final char HIDDEN = '\uE00D';

  private final PushbackReader ahead;
  private boolean any;

  LoneReturns(Reader in) {
    super(new PushbackReader(in, 1));
    this.ahead = (PushbackReader) super.in;
  }

  @Override
  public int read() throws IOException {
    char[] one = new char[1];
    return read(one, 0, 1) < 0 ? -1 : one[0];
  }

  @Override
  public int read(char[] buffer, int offset, int length) throws IOException {
    int read = ahead.read(buffer, offset, length);
    for (int i = offset; i < offset + read; i++) {
      if (buffer[i] == '\r' && (i + 1 < offset + read ? buffer[i + 1] : peek()) != '\n') {
        buffer[i] = HIDDEN;
        any = true;
      }
    }
    return read;
  }

  private int peek() throws IOException {
    int next = ahead.read();
    if (next >= 0) {
      ahead.unread(next);
    }
    return next;
  }

  /** The cell with its carriage returns as they stood. */
  String shown(String cell) {
    return any ? cell.replace(HIDDEN, '\r') : cell;
  }
}
