package rhetor.app.news;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;
import rhetor.app.house.Sha256;
import rhetor.app.news.NewsSettings.MailServer;
import rhetor.app.news.NewsStore.Delivery;
import rhetor.app.web.Refused;
import tools.jackson.databind.json.JsonMapper;

/** Takes news to people and programs, and tries again while they can't be reached. */
@Component
class Courier {
  private static final Logger LOG = LoggerFactory.getLogger(Courier.class);
  private static final int AT_ONCE = 200;
  private static final Duration PATIENCE = Duration.ofSeconds(15);

  /** How long to wait after each try in vain; after the last it is given up. */
  private static final List<Duration> PAUSES =
      List.of(
          Duration.ofMinutes(1),
          Duration.ofMinutes(5),
          Duration.ofMinutes(30),
          Duration.ofHours(2),
          Duration.ofHours(12));

  private final NewsStore store;
  private final NewsSettings settings;
  private final Clock clock;
  private final JsonMapper json = JsonMapper.builder().build();
  private final HttpClient http =
      HttpClient.newBuilder()
          .version(HttpClient.Version.HTTP_1_1)
          .connectTimeout(PATIENCE)
          .followRedirects(HttpClient.Redirect.NEVER)
          .build();

  Courier(NewsStore store, NewsSettings settings, Clock clock) {
    this.store = store;
    this.settings = settings;
    this.clock = clock;
  }

  @Configuration
  static class Rounds {
    @Bean
    Task<Void> tellNews(Courier courier, @Value("${rhetor.news-every:5s}") Duration every) {
      return Tasks.recurring("tell-news", FixedDelay.of(every))
          .execute((instance, context) -> courier.goRound());
    }
  }

  /** Tells all that is due; what is for one person goes in one mail. */
  void goRound() {
    Map<String, List<Delivery>> mails = new TreeMap<>();
    for (Delivery due : store.due(AT_ONCE)) {
      if (due.way() == NewsStore.Way.MAIL) {
        mails.computeIfAbsent(due.address(), a -> new java.util.ArrayList<>()).add(due);
      } else {
        tell(List.of(due), () -> call(due));
      }
    }
    mails.forEach((address, news) -> tell(news, () -> mail(address, news)));
  }

  private interface Telling {
    void tell() throws IOException, InterruptedException;
  }

  private void tell(List<Delivery> news, Telling telling) {
    try {
      telling.tell();
      news.forEach(d -> store.told(d.id()));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (IOException | RuntimeException e) {
      String why = String.valueOf(e.getMessage());
      LOG.info("news can't be told to {}: {}", news.getFirst().address(), why);
      for (Delivery d : news) {
        if (d.tries() < PAUSES.size()) {
          Instant at = clock.instant().plus(PAUSES.get(d.tries()));
          store.tryAgain(d.id(), at, why);
        } else {
          store.givenUp(d.id(), why);
        }
      }
    }
  }

  /** Sends a mail that says nothing but that mails arrive. */
  void tryMail(String address) {
    try {
      send(address, "Mails from Rhetor arrive", "This is what a mail from Rhetor looks like.\n");
    } catch (IOException e) {
      throw Refused.outside(e.getMessage());
    }
  }

  private void mail(String address, List<Delivery> news) throws IOException {
    String subject =
        news.size() == 1
            ? news.getFirst().subject()
            : "%d news of the house".formatted(news.size());
    List<Delivery> first = news.stream().filter(Delivery::needsPerson).toList();
    List<Delivery> others = news.stream().filter(d -> !d.needsPerson()).toList();
    StringBuilder text = new StringBuilder();
    part(text, "What needs somebody", first);
    part(text, "What else happened", others);
    text.append("Which of these you are sent you choose under News.\n");
    send(address, subject, text.toString());
  }

  private void part(StringBuilder text, String heading, List<Delivery> news) {
    if (news.isEmpty()) {
      return;
    }
    text.append(heading).append("\n\n");
    for (Delivery d : news) {
      text.append(d.subject()).append(". ").append(d.detail()).append('\n');
      text.append(settings.home()).append(d.link()).append("\n\n");
    }
  }

  private void send(String address, String subject, String text) throws IOException {
    Optional<MailServer> server = settings.mailServer();
    if (server.isEmpty()) {
      throw new IOException("No mail server is set. The owner sets one under News.");
    }
    JavaMailSenderImpl sender = sender(server.get());
    try {
      MimeMessage message = sender.createMimeMessage();
      MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
      helper.setFrom(server.get().from(), "Rhetor");
      helper.setTo(address);
      // What stands in a file's name is no further line of the head.
      helper.setSubject(subject.replaceAll("\\p{Cntrl}+", " "));
      helper.setText(text);
      sender.send(message);
    } catch (MailException | MessagingException e) {
      throw new IOException(
          "The mail server %s:%d took no mail for %s: %s"
              .formatted(
                  server.get().host(),
                  server.get().port(),
                  address,
                  String.valueOf(e.getMessage()).lines().findFirst().orElse("")),
          e);
    }
  }

  private static JavaMailSenderImpl sender(MailServer server) {
    JavaMailSenderImpl sender = new JavaMailSenderImpl();
    sender.setHost(server.host());
    sender.setPort(server.port());
    sender.setDefaultEncoding(StandardCharsets.UTF_8.name());
    Properties properties = sender.getJavaMailProperties();
    String millis = String.valueOf(PATIENCE.toMillis());
    boolean isTls = server.security() == NewsSettings.Security.TLS;
    String protocol = isTls ? "smtps" : "smtp";
    sender.setProtocol(protocol);
    for (String wait : List.of("connectiontimeout", "timeout", "writetimeout")) {
      properties.put("mail." + protocol + "." + wait, millis);
    }
    properties.put("mail." + protocol + ".ssl.checkserveridentity", "true");
    if (server.security() == NewsSettings.Security.STARTTLS) {
      properties.put("mail.smtp.starttls.enable", "true");
      properties.put("mail.smtp.starttls.required", "true");
    }
    if (!server.user().isEmpty()) {
      sender.setUsername(server.user());
      sender.setPassword(server.password());
      properties.put("mail." + protocol + ".auth", "true");
    }
    return sender;
  }

  /**
   * Calls the house's program. The body is signed (HMAC with SHA-256, RFC 2104), and its number
   * lets the program see what it has had before.
   */
  private void call(Delivery news) throws IOException, InterruptedException {
    Optional<NewsSettings.Call> call =
        settings.call().filter(c -> c.address().equals(news.address()));
    if (call.isEmpty()) {
      // It is called no longer.
      return;
    }
    byte[] body =
        json.writeValueAsBytes(
            Map.of(
                "id", news.id(),
                "subject", news.subject(),
                "detail", news.detail(),
                "needsPerson", news.needsPerson(),
                "link", settings.home() + news.link(),
                "happenedAt", news.happenedAt().toString()));
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(news.address()))
            .timeout(PATIENCE)
            .header("Content-Type", "application/json")
            .header("Rhetor-Delivery", String.valueOf(news.id()))
            .header("Rhetor-Signature", "sha256=" + Sha256.signature(call.get().secret(), body))
            .POST(HttpRequest.BodyPublishers.ofByteArray(body))
            .build();
    int status = http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
    if (status / 100 != 2) {
      throw new IOException("%s answered with %d.".formatted(news.address(), status));
    }
  }
}
