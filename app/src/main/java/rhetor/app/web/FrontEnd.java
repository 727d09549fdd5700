package rhetor.app.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Base64;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Serves the front end: its files, and one page for every address that it knows. */
@Controller
class FrontEnd {
  /** Any word of the front end's own; it says itself what it doesn't know. */
  private static final String VIEW = "/{view:(?!api$|assets$)[a-z-]+}";

  private static final SecureRandom RANDOM = new SecureRandom();
  private final String page;

  FrontEnd() throws IOException {
    page = new ClassPathResource("web/index.html").getContentAsString(StandardCharsets.UTF_8);
  }

  /** The page, with a policy that runs no script and applies no style but its own. */
  @GetMapping({"/", VIEW, VIEW + "/*"})
  ResponseEntity<String> page(HttpServletResponse response) {
    byte[] random = new byte[16];
    RANDOM.nextBytes(random);
    String nonce = Base64.getEncoder().encodeToString(random);
    response.setHeader(
        "Content-Security-Policy",
        "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-"
            + nonce
            + "'; img-src 'self' data:; font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'");
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
        .body(page.replace("__NONCE__", nonce));
  }

  @Configuration
  static class Files implements WebMvcConfigurer {
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
      registry
          .addResourceHandler("/assets/**")
          .addResourceLocations("classpath:/web/assets/")
          .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
      registry.addResourceHandler("/favicon.svg").addResourceLocations("classpath:/web/");
    }
  }
}
