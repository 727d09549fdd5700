package rhetor.app.house;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import rhetor.core.exchange.SheetJob;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.ColumnReading;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.Reading;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.style.Style;
import rhetor.core.style.StyleProblem;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.template.StartingTemplates;
import rhetor.core.template.Template;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** {@code rhetor write}: a supplier's sheet in, the same sheet with texts out. */
@Command(
    name = "rhetor write",
    mixinStandardHelpOptions = true,
    description = {
      "Writes texts for every row of a sheet, without server or screen.",
      "The sheet's own cells stay as they are; a column for each text is added at the end.",
      "Exit status: 0 if every row is accounted for, 1 if the sheet can't be read, 2 for wrong options."
    })
public final class WriteCommand implements Callable<Integer> {
  private static final int SHOWN_PROBLEMS = 20;

  @Mixin SheetOptions sheetOptions;

  @Option(
      names = {"-o", "--out"},
      required = true,
      paramLabel = "OUT",
      description = "Where the sheet with texts goes.")
  Path out;

  @Option(
      names = "--seed",
      paramLabel = "N",
      description =
          "Chooses between wordings; the same seed gives the same texts. Default: ${DEFAULT-VALUE}.")
  long seed = 1;

  @Option(
      names = "--voice",
      paramLabel = "NAME",
      description =
          "How the texts sound: plain, warm, lively, expert, playful or refined. Default: the style's voice, or plain.")
  String voice;

  @Option(
      names = "--style",
      paramLabel = "FILE",
      description =
          "What the house has decided, as YAML or JSON with the names of the API's style: voice, banned, required, always, spelling, lengths and so on.")
  Path styleFile;

  @Option(
      names = "--template",
      paramLabel = "NAME",
      description = "Builds the texts after one of the starting templates.")
  String template;

  @Option(
      names = "--report",
      paramLabel = "FILE",
      description = "Each text's sentences with their support, as JSON Lines.")
  Path report;

  @Override
  public Integer call() throws IOException {
    try {
      if (sheetOptions.missing().isPresent()) {
        return fail(sheetOptions.missing().get());
      }
      Path in = sheetOptions.in();
      if (Files.exists(out) && Files.isSameFile(in, out)) {
        return fail(
            "OUT is the same file as IN; choose another, so that the supplier's sheet stays as it is.");
      }
      Style style = styleFile == null ? Style.standard() : style();
      Template built = template == null ? Template.NONE : template();
      if (voice == null) {
        String ofTemplate = built.style().voice();
        voice = ofTemplate.isEmpty() ? style.voice() : ofTemplate;
      }
      Optional<Voice> chosen = Voices.find(voice);
      if (chosen.isEmpty()) {
        return fail(
            "There is no voice called "
                + voice
                + "; there are "
                + String.join(", ", Voices.all().stream().map(Voice::id).toList())
                + ".");
      }
      Path folder = out.toAbsolutePath().getParent();
      if (!Files.isDirectory(folder)) {
        return fail("There is no folder " + folder + " to write to.");
      }
      Sheet sheet = Sheet.open(in);
      Reading reading = sheetOptions.reading(sheet);
      reading.columns().stream()
          .filter(ColumnReading::asks)
          .map(WriteCommand::doubt)
          .forEach(System.err::println);
      Optional<String> obstacle = reading.obstacle();
      if (obstacle.isPresent()) {
        return fail(obstacle.get() + " Use --map.");
      }
      SheetJob.Summary summary =
          new SheetJob(Knowledge.standard(), seed, style, built, chosen.get())
              .run(sheet, in.getFileName().toString(), reading, out, Optional.ofNullable(report));
      print(summary);
      return summary.isComplete() ? 0 : 1;
    } catch (SheetException e) {
      return fail(e.getMessage());
    } catch (IllegalArgumentException e) {
      System.err.println(e.getMessage());
      return 2;
    }
  }

  /** The style in the file; what it leaves out is as usual. */
  private Style style() throws IOException {
    if (!Files.isRegularFile(styleFile)) {
      throw new IllegalArgumentException("There is no file " + styleFile + ".");
    }
    Style style;
    try {
      style =
          YAMLMapper.builder()
              .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
              .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
              .build()
              .readValue(Files.readString(styleFile), Style.class);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          styleFile + " can't be read as a style: " + e.getOriginalMessage());
    }
    List<StyleProblem> problems = StyleProblem.of(style);
    if (!problems.isEmpty()) {
      throw new IllegalArgumentException(
          styleFile
              + " can't be obeyed: "
              + String.join(" ", problems.stream().map(StyleProblem::why).toList()));
    }
    return style;
  }

  private Template template() {
    return StartingTemplates.all().stream()
        .filter(s -> s.name().equalsIgnoreCase(template))
        .findFirst()
        .map(StartingTemplates.Starting::template)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "There is no template called "
                        + template
                        + "; there are "
                        + String.join(
                            ", ",
                            StartingTemplates.all().stream()
                                .map(StartingTemplates.Starting::name)
                                .toList())
                        + "."));
  }

  private static int fail(String message) {
    System.err.println(message);
    return 1;
  }

  private void print(SheetJob.Summary s) {
    for (SheetProblem problem :
        s.problems().subList(0, Math.min(SHOWN_PROBLEMS, s.problems().size()))) {
      System.err.println(problem);
    }
    if (s.problems().size() > SHOWN_PROBLEMS) {
      System.err.println(
          "… and " + (s.problems().size() - SHOWN_PROBLEMS) + " more; see the column must_fix.");
    }
    System.out.printf(
        "%d rows: %d written (%d with something to fix), %d rejected, %d duplicates, %d blank -> %s%n",
        s.rows(), s.written(), s.toFix(), s.rejected(), s.duplicates(), s.blank(), out);
  }

  /** What isn't clear about a column, how it is read nevertheless, and how to say otherwise. */
  private static String doubt(ColumnReading column) {
    return column.choices().isEmpty()
        ? "%s: %s Such cells are listed as they stand. Say the unit with --map, such as  %s: %s in %s"
            .formatted(
                column.heading(),
                column.reason(),
                column.heading(),
                column.meaning().code(),
                column.units().getFirst())
        : "%s: %s It is read as %s; say otherwise with --map, as one of %s."
            .formatted(
                column.heading(),
                column.reason(),
                column.meaning().code(),
                String.join(", ", column.choices().stream().map(Meaning::code).toList()));
  }
}
