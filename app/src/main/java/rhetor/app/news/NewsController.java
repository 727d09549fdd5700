package rhetor.app.news;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.news.NewsSettings.Call;
import rhetor.app.news.NewsSettings.MailServer;

/** News over HTTP, and how they go out; passwords and secrets go in and never out. */
@RestController
class NewsController {
  private static final int SHOWN = 100;

  private final NewsStore store;
  private final NewsSettings settings;
  private final Courier courier;
  private final HouseLog log;

  NewsController(NewsStore store, NewsSettings settings, Courier courier, HouseLog log) {
    this.store = store;
    this.settings = settings;
    this.courier = courier;
    this.log = log;
  }

  /**
   * News, and how they reach the person who looks.
   *
   * @param wish what they want to be sent by mail
   * @param isMailSet whether the house sends mails at all
   * @param trouble why the last mail or call didn't arrive, empty if it did
   */
  record NewsView(List<NewsStore.News> news, MailWish wish, boolean isMailSet, String trouble) {}

  /** What a person wants to be sent by mail. */
  record WishOrder(@NotNull MailWish wish) {}

  /**
   * How news go out.
   *
   * @param host the mail server's host, empty for none
   * @param password what was typed anew; empty where it is shown, and where it stays as it was
   * @param callAddress the address of a program that is called, empty for none
   * @param callSecret as the password
   */
  record SettingsOrder(
      @NotNull @Size(max = 200) String host,
      int port,
      @NotNull NewsSettings.Security security,
      @NotNull @Size(max = 200) String user,
      @NotNull @Size(max = 400) String password,
      @NotNull @Size(max = 200) String from,
      @NotNull @Size(max = 400) String callAddress,
      @NotNull @Size(max = 400) String callSecret) {}

  @GetMapping("/api/news")
  NewsView news(Principal person) {
    return new NewsView(
        store.latest(SHOWN),
        store.wish(person.getName()),
        settings.mailServer().isPresent(),
        store.trouble());
  }

  @PutMapping("/api/me/mail-wish")
  NewsView wish(@Valid @RequestBody WishOrder order, Principal person) {
    store.setWish(person.getName(), order.wish());
    return news(person);
  }

  @GetMapping("/api/house/news")
  SettingsOrder settings() {
    Optional<MailServer> mail = settings.mailServer();
    return new SettingsOrder(
        mail.map(MailServer::host).orElse(""),
        mail.map(MailServer::port).orElse(587),
        mail.map(MailServer::security).orElse(NewsSettings.Security.STARTTLS),
        mail.map(MailServer::user).orElse(""),
        "",
        mail.map(MailServer::from).orElse(""),
        settings.call().map(Call::address).orElse(""),
        "");
  }

  @PutMapping("/api/house/news")
  SettingsOrder set(
      @Valid @RequestBody SettingsOrder order, Principal person, HttpServletRequest request) {
    settings.setMailServer(
        new MailServer(
            order.host(),
            order.port(),
            order.security(),
            order.user(),
            order.password(),
            order.from()));
    settings.setCall(new Call(order.callAddress(), order.callSecret()));
    // Links in mails lead to where the owner reaches Rhetor.
    settings.setHome(
        ServletUriComponentsBuilder.fromRequestUri(request).replacePath("").build().toUriString());
    log.note(person.getName(), Event.SETTING_CHANGED, "how news go out", order.host());
    return settings();
  }

  /** Sends whoever asks a mail, to see that it arrives. */
  @PostMapping("/api/house/news/try")
  void tryMail(Principal person) {
    courier.tryMail(person.getName());
  }
}
