package rhetor.standins.mail;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;

/** Takes every mail (SMTP, RFC 5321) and shows them all on one page, the latest first. */
@RestController
class Mailbox {
  private static final String PAGE =
      """
      <!doctype html><html lang="en"><meta charset="utf-8"><title>Harrowmere’s mail</title>
      <style>body{font:16px/1.5 Georgia,serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#222}
      article{border-top:1px solid #bbb;padding:1rem 0}pre{white-space:pre-wrap;font:inherit}small{color:#555}</style>
      <h1>Harrowmere’s mail</h1>%s</html>""";

  private final GreenMail server;

  /** A port of 0 takes no mail at all. */
  Mailbox(@Value("${standins.mail-port:0}") int port) {
    server =
        port == 0
            ? null
            : new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
  }

  @PostConstruct
  void open() {
    if (server != null) {
      server.start();
    }
  }

  @PreDestroy
  void close() {
    if (server != null) {
      server.stop();
    }
  }

  @GetMapping(path = "/mailbox", produces = MediaType.TEXT_HTML_VALUE)
  String page() throws MessagingException {
    List<MimeMessage> mails =
        server == null ? List.of() : Arrays.asList(server.getReceivedMessages()).reversed();
    StringBuilder all = new StringBuilder();
    for (MimeMessage mail : mails) {
      all.append("<article><h2>")
          .append(HtmlUtils.htmlEscape(mail.getSubject()))
          .append("</h2><small>to ")
          .append(HtmlUtils.htmlEscape(Arrays.toString(mail.getAllRecipients())))
          .append(", ")
          .append(mail.getSentDate())
          .append("</small><pre>")
          .append(HtmlUtils.htmlEscape(text(mail)))
          .append("</pre></article>");
    }
    return PAGE.formatted(all.isEmpty() ? "<p>Nothing has come yet.</p>" : all);
  }

  private static String text(MimeMessage mail) throws MessagingException {
    try {
      return String.valueOf(mail.getContent());
    } catch (java.io.IOException e) {
      return GreenMailUtil.getBody(mail);
    }
  }
}
