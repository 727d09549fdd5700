package rhetor.app.news;

import java.net.URI;
import java.util.Optional;
import org.springframework.stereotype.Component;
import rhetor.app.house.OwnersChoice;
import rhetor.app.house.Vault;
import rhetor.app.web.Refused;

/** How the owner wants news to go out. */
@Component
class NewsSettings {
  private static final int MOST_PORT = 65535;

  private final OwnersChoice choice;
  private final Vault vault;

  NewsSettings(OwnersChoice choice, Vault vault) {
    this.choice = choice;
    this.vault = vault;
  }

  /** How the connection to a mail server is kept from others. */
  enum Security {
    NONE,
    /** Begun in the clear, RFC 3207. */
    STARTTLS,
    /** From the first byte, RFC 8314. */
    TLS
  }

  /**
   * A mail server (SMTP, RFC 5321).
   *
   * @param from address that mails come from
   * @param password empty if the server wants none
   */
  record MailServer(
      String host, int port, Security security, String user, String password, String from) {}

  /**
   * A program that is called.
   *
   * @param secret what its calls are signed with
   */
  record Call(String address, String secret) {}

  Optional<MailServer> mailServer() {
    String host = get("mail-host");
    return host.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new MailServer(
                host,
                Integer.parseInt(get("mail-port")),
                Security.valueOf(get("mail-security")),
                get("mail-user"),
                vault.open(get("mail-password")),
                get("mail-from")));
  }

  /** Decides on a mail server; an empty host is none, and an empty password leaves the old one. */
  void setMailServer(MailServer server) {
    String host = server.host().strip();
    if (!host.isEmpty()) {
      if (!host.matches("[\\p{Alnum}.:_-]+")) {
        throw Refused.invalid("Name the mail server’s host alone, such as mail.example.");
      }
      if (server.port() < 1 || server.port() > MOST_PORT) {
        throw Refused.invalid(
            "A port is from 1 to %d; mail servers mostly have 587.".formatted(MOST_PORT));
      }
      if (!server.from().matches("[^@\\s<>]+@[^@\\s<>]+")) {
        throw Refused.invalid("Say which address mails come from, such as rhetor@shop.example.");
      }
    }
    boolean elsewhere = !host.equals(get("mail-host"));
    choice.put("mail-host", host);
    choice.put("mail-port", String.valueOf(server.port()));
    choice.put("mail-security", server.security().name());
    choice.put("mail-user", server.user().strip());
    choice.put("mail-from", server.from().strip());
    // A password goes to no other server than it was typed for.
    if (elsewhere || !server.password().isEmpty() || server.user().isBlank()) {
      choice.put("mail-password", vault.seal(server.password()));
    }
  }

  Optional<Call> call() {
    String address = get("call-address");
    return address.isEmpty()
        ? Optional.empty()
        : Optional.of(new Call(address, vault.open(get("call-secret"))));
  }

  /** Decides on a program to call; an empty address is none, an empty secret leaves the old one. */
  void setCall(Call call) {
    String address = call.address().strip();
    if (!address.isEmpty() && !isWeb(address)) {
      throw Refused.invalid(
          "The address has to begin with http:// or https:// and name a host, such as https://shop.example/rhetor.");
    }
    boolean elsewhere = !address.equals(get("call-address"));
    if (!address.isEmpty()
        && call.secret().isEmpty()
        && (elsewhere || get("call-secret").isEmpty())) {
      throw Refused.invalid(
          "Type a secret that calls are signed with, so that they are known to be Rhetor’s.");
    }
    choice.put("call-address", address);
    if (elsewhere || !call.secret().isEmpty()) {
      choice.put("call-secret", vault.seal(call.secret()));
    }
  }

  private static boolean isWeb(String address) {
    try {
      URI uri = URI.create(address);
      return ("http".equals(uri.getScheme()) || "https".equals(uri.getScheme()))
          && uri.getHost() != null
          && uri.getUserInfo() == null;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  /** Where people reach Rhetor, for links. */
  String home() {
    return get("home");
  }

  void setHome(String home) {
    choice.put("home", home);
  }

  private String get(String name) {
    return choice.find(name).orElse("");
  }
}
