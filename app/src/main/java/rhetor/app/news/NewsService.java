package rhetor.app.news;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.folder.WatchedFolder.FileCame;
import rhetor.app.run.Run;
import rhetor.app.run.RunTold;

/** Notes what happened, for whom it is told. */
@Service
public class NewsService {
  /** A run that lasted longer isn't waited for. */
  private static final Duration LONG = Duration.ofMinutes(2);

  private static final BigDecimal CENT = new BigDecimal("0.01");

  private final NewsStore store;
  private final NewsSettings settings;
  private final Duration gather;
  private final Clock clock;

  NewsService(
      NewsStore store,
      NewsSettings settings,
      @Value("${rhetor.news-gather:45s}") Duration gather,
      Clock clock) {
    this.store = store;
    this.settings = settings;
    this.gather = gather;
    this.clock = clock;
  }

  /**
   * Notes something that happened, and to whom it has to be told: what comes within a minute goes
   * in one mail.
   */
  @Transactional
  public void note(boolean needsPerson, String subject, String detail, String link) {
    long news = store.add(needsPerson, subject, detail, link);
    Instant now = clock.instant();
    if (settings.mailServer().isPresent()) {
      store
          .wanting(needsPerson)
          .forEach(email -> store.toTell(news, NewsStore.Way.MAIL, email, now.plus(gather)));
    }
    settings.call().ifPresent(c -> store.toTell(news, NewsStore.Way.CALL, c.address(), now));
  }

  /**
   * Has mails go out over a server that wants neither password nor encryption, such as one on the
   * same machine.
   *
   * @param home where people reach Rhetor, for links
   */
  public void sendOver(String host, int port, String from, String home) {
    settings.setMailServer(
        new NewsSettings.MailServer(host, port, NewsSettings.Security.NONE, "", "", from));
    settings.setHome(home);
  }

  /** A file in the watched folder. */
  @EventListener
  void on(FileCame file) {
    note(
        file.isTrouble(),
        file.name() + (file.isTrouble() ? " needs somebody" : " was taken in"),
        file.reason(),
        file.intake() == 0 ? "/folder" : "/intake/" + file.intake());
  }

  /** A run that has ended or waits for somebody. */
  @EventListener
  void on(RunTold told) {
    Run run = told.run();
    String bill =
        run.spent().signum() == 0
            ? ""
            : " The text model’s answers cost %s.".formatted(money(run.spent()));
    String counts =
        String.format(Locale.UK, "%,d of %,d products were written", run.written(), run.total())
            + (run.failed() == 0 ? "" : String.format(Locale.UK, ", %,d failed", run.failed()))
            + (run.left() == 0 ? "" : String.format(Locale.UK, ", %,d were left alone", run.left()))
            + ".";
    String about = run.about().isEmpty() ? "" : " for " + run.about();
    String link = "/runs/" + run.id();
    if (!run.hasEnded()) {
      note(
          true,
          "Run %d%s waits".formatted(run.id(), about),
          run.trouble() + " " + counts + bill,
          link);
      return;
    }
    boolean wasLong = Duration.between(run.createdAt(), run.finishedAt()).compareTo(LONG) > 0;
    boolean needsPerson = run.failed() > 0 || run.written() > 0 && (run.unattended() || wasLong);
    note(needsPerson, "Run %d%s is done".formatted(run.id(), about), counts + bill, link);
  }

  private static String money(BigDecimal amount) {
    return amount.compareTo(CENT) < 0
        ? "less than 0.01"
        : String.format(Locale.UK, "%,.2f", amount);
  }
}
