package rhetor.app.intake;

import java.nio.charset.Charset;
import java.util.List;
import java.util.stream.Stream;

/** What a person may say that a sheet's text is encoded in. */
final class SheetEncodings {
  /** What most sheets are in. */
  static final List<String> COMMON =
      List.of("UTF-8", "windows-1252", "ISO-8859-1", "ISO-8859-15", "windows-1250", "x-MacRoman");

  /** All that this machine can read, the common ones first. */
  static final List<String> ALL =
      Stream.concat(
              COMMON.stream(), Charset.availableCharsets().values().stream().map(Charset::name))
          .filter(Charset::isSupported)
          .distinct()
          .toList();

  private SheetEncodings() {}
}
