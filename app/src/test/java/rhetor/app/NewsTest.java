package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpServer;
import jakarta.mail.internet.MimeMessage;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.news.NewsService;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What happened while nobody looked on reaches people by mail, and programs by a signed call. */
@ExtendWith(RunningRhetor.class)
class NewsTest {
  private final RunningRhetor.House house;
  private final Visitor owner;
  private final GreenMail mails =
      new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));

  NewsTest(RunningRhetor.House house) {
    this.house = house;
    this.owner = house.as(Role.OWNER);
  }

  @AfterEach
  void no_more_news() {
    owner.put("/api/house/news", settings(Map.of("host", ""))).expect(200);
    mails.stop();
  }

  private static Map<String, Object> settings(Map<String, Object> changes) {
    Map<String, Object> settings =
        new HashMap<>(
            Map.of(
                "host", "127.0.0.1",
                "port", 2525,
                "security", "NONE",
                "user", "",
                "password", "",
                "from", "rhetor@shop.example",
                "callAddress", "",
                "callSecret", ""));
    settings.putAll(changes);
    return settings;
  }

  private void receiveMails() {
    mails.start();
    owner.put("/api/house/news", settings(Map.of("port", mails.getSmtp().getPort()))).expect(200);
  }

  /** The first mail to somebody; other tests' people are sent theirs. */
  private MimeMessage mail(String to) throws Exception {
    long end = System.nanoTime() + Duration.ofSeconds(60).toNanos();
    while (true) {
      for (MimeMessage mail : mails.getReceivedMessages()) {
        if (recipient(mail).equals(to)) {
          assertThat(mail.getAllRecipients()).hasSize(1);
          return mail;
        }
      }
      assertThat(System.nanoTime()).as("no mail came to " + to).isLessThan(end);
      Thread.sleep(100);
    }
  }

  private static String recipient(MimeMessage mail) {
    try {
      return mail.getAllRecipients()[0].toString();
    } catch (jakarta.mail.MessagingException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void what_needs_somebody_comes_by_mail_with_a_link() throws Exception {
    receiveMails();
    house.as(Role.READER).put("/api/me/mail-wish", Map.of("wish", "NONE")).expect(200);
    house.as(Role.WRITER).put("/api/me/mail-wish", Map.of("wish", "NONE")).expect(200);
    house.as(Role.EDITOR).put("/api/me/mail-wish", Map.of("wish", "NONE")).expect(200);
    NewsService news = house.bean(NewsService.class);
    news.note(false, "Nothing to do", "All is well.", "/runs/1");
    news.note(true, "Run 7 waits\r\nBcc: everybody@elsewhere.example", "It waits.", "/runs/7");
    MimeMessage mail = mail("owner@test.example");
    assertThat(mail.getSubject()).startsWith("Run 7 waits");
    assertThat(mail.getHeader("Bcc")).isNull();
    assertThat(mails.getReceivedMessages())
        .noneMatch(m -> recipient(m).equals("editor@test.example"));
    assertThat(mail.getContent().toString())
        .contains("What needs somebody", "It waits.", house.url() + "/runs/7")
        .doesNotContain("All is well");
    assertThat(owner.get("/api/news").body().path("news").toString())
        .contains("Nothing to do", "Run 7 waits");
  }

  @Test
  void a_night_of_sheets_ends_in_a_mail_that_says_what_is_written() throws Exception {
    receiveMails();
    Visitor editor = house.as(Role.EDITOR);
    editor
        .put("/api/folder", Map.of("isWatched", true, "writes", true, "author", Visitor.RHETOR))
        .expect(200);
    Path file = house.data().resolve("incoming").toAbsolutePath().resolve("NWS.csv");
    Files.writeString(
        file,
        "SKU,Name,Type,Brand,Material,Weight\nNWS-1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g\n");
    Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(60)));
    MimeMessage mail = mail("owner@test.example");
    assertThat(mail.getContent().toString())
        .containsPattern("Run \\d+ for NWS\\.csv is done\\. 1 of 1 products were written\\.");
    editor
        .put("/api/folder", Map.of("isWatched", false, "writes", false, "author", Visitor.RHETOR))
        .expect(200);
  }

  @Test
  void a_program_is_called_with_a_signature_and_again_until_it_answers() throws Exception {
    BlockingQueue<Map<String, String>> calls = new ArrayBlockingQueue<>(10);
    HttpServer server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    server.createContext(
        "/",
        x -> {
          byte[] body = x.getRequestBody().readAllBytes();
          x.sendResponseHeaders(calls.isEmpty() ? 500 : 204, -1);
          x.close();
          calls.add(
              Map.of(
                  "body", new String(body, StandardCharsets.UTF_8),
                  "signature", x.getRequestHeaders().getFirst("Rhetor-Signature"),
                  "number", x.getRequestHeaders().getFirst("Rhetor-Delivery")));
        });
    server.start();
    try {
      owner
          .put(
              "/api/house/news",
              settings(
                  Map.of(
                      "host", "",
                      "callAddress", "http://127.0.0.1:" + server.getAddress().getPort() + "/told",
                      "callSecret", "a secret of both")))
          .expect(200);
      house.bean(NewsService.class).note(true, "Run 8 waits", "It waits.", "/runs/8");
      Map<String, String> first = calls.poll(60, TimeUnit.SECONDS);
      calls.add(first);
      JdbcClient jdbc = house.bean(JdbcClient.class);
      String due =
          "update news_delivery set next_at = current_timestamp where id = ? and is_done = false and tries = 1";
      while (jdbc.sql(due).param(Long.valueOf(first.get("number"))).update() == 0) {
        Thread.sleep(20);
      }
      calls.poll(60, TimeUnit.SECONDS);
      Map<String, String> second = calls.poll(60, TimeUnit.SECONDS);
      assertThat(second).isEqualTo(first);
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(
          new SecretKeySpec("a secret of both".getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      assertThat(first.get("signature"))
          .isEqualTo(
              "sha256="
                  + HexFormat.of()
                      .formatHex(mac.doFinal(first.get("body").getBytes(StandardCharsets.UTF_8))));
      assertThat(first.get("body")).contains("Run 8 waits", house.url() + "/runs/8");
    } finally {
      server.stop(0);
    }
  }

  @Test
  void a_mail_server_that_does_not_answer_is_told_of_and_tried_again() {
    owner.put("/api/house/news", settings(Map.of("port", 9))).expect(200);
    assertThat(owner.post("/api/house/news/try", Map.of()).expect(502).detail())
        .contains("127.0.0.1:9 took no mail for owner@test.example");
    house.bean(NewsService.class).note(true, "Run 9 waits", "It waits.", "/runs/9");
    JsonNode seen = owner.until("/api/news", n -> !n.path("trouble").asString().isEmpty()).body();
    assertThat(seen.path("trouble").asString()).contains("took no mail");
  }

  @Test
  void settings_that_can_not_be_are_refused_and_secrets_stay_inside() {
    for (Map<String, Object> wrong :
        List.<Map<String, Object>>of(
            Map.of("host", "mail server"),
            Map.of("port", 0),
            Map.of("from", "nobody"),
            Map.of("callAddress", "ftp://shop.example"),
            Map.of("callAddress", "http://shop.example/told"))) {
      owner.put("/api/house/news", settings(wrong)).expect(422);
    }
    owner
        .put(
            "/api/house/news",
            settings(
                Map.of(
                    "user", "rhetor",
                    "password", "a mail password",
                    "callAddress", "http://shop.example/told",
                    "callSecret", "a call secret")))
        .expect(200);
    assertThat(owner.get("/api/house/news").expect(200).text())
        .contains("rhetor@shop.example")
        .doesNotContain("a mail password", "a call secret");
    assertThat(
            house
                .bean(JdbcClient.class)
                .sql(
                    "select setting from house_setting where name in ('mail-password', 'call-secret')")
                .query(String.class)
                .list())
        .allMatch(s -> s.startsWith("sealed:"));
    house.as(Role.EDITOR).get("/api/house/news").expect(403);
    house.as(Role.EDITOR).put("/api/house/news", settings(Map.of())).expect(403);
  }
}
