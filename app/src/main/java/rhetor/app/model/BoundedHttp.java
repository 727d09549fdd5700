package rhetor.app.model;

import dev.langchain4j.exception.HttpException;
import dev.langchain4j.exception.TimeoutException;
import dev.langchain4j.http.client.HttpClient;
import dev.langchain4j.http.client.HttpClientBuilder;
import dev.langchain4j.http.client.HttpRequest;
import dev.langchain4j.http.client.SuccessfulHttpResponse;
import dev.langchain4j.http.client.sse.ServerSentEventListener;
import dev.langchain4j.http.client.sse.ServerSentEventParser;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;

/**
 * Asks a service over HTTP whose answer ends: by its size, and by the time that it takes as a
 * whole, so that one which comes drop by drop holds nobody up.
 */
final class BoundedHttp implements HttpClient {
  /** Bytes of an answer, far more than the longest text has. */
  private static final long MOST_BYTES = 4_000_000;

  private static final Duration CONNECT = Duration.ofSeconds(10);

  /** One for all questions: each has threads and connections of its own. */
  private static final java.net.http.HttpClient HTTP =
      java.net.http.HttpClient.newBuilder()
          .version(java.net.http.HttpClient.Version.HTTP_1_1)
          .connectTimeout(CONNECT)
          .build();

  private final Duration whole;

  private BoundedHttp(Duration whole) {
    this.whole = whole;
  }

  /** Makes clients; how long they wait is set before they are built. */
  static HttpClientBuilder builder() {
    return new Builder();
  }

  private static final class Builder implements HttpClientBuilder {
    private Duration connect = CONNECT;
    private Duration whole = Duration.ofSeconds(60);

    @Override
    public Duration connectTimeout() {
      return connect;
    }

    @Override
    public HttpClientBuilder connectTimeout(Duration wait) {
      connect = wait;
      return this;
    }

    @Override
    public Duration readTimeout() {
      return whole;
    }

    @Override
    public HttpClientBuilder readTimeout(Duration wait) {
      whole = wait;
      return this;
    }

    @Override
    public HttpClient build() {
      return new BoundedHttp(whole);
    }
  }

  @Override
  public SuccessfulHttpResponse execute(HttpRequest request) {
    var builder = java.net.http.HttpRequest.newBuilder(URI.create(request.url())).timeout(whole);
    request.headers().forEach((name, values) -> values.forEach(v -> builder.header(name, v)));
    builder.method(
        request.method().name(),
        request.body() == null ? BodyPublishers.noBody() : BodyPublishers.ofString(request.body()));
    CompletableFuture<HttpResponse<String>> answer =
        HTTP.sendAsync(builder.build(), BodyHandlers.limiting(BodyHandlers.ofString(), MOST_BYTES));
    try {
      HttpResponse<String> response = answer.get(whole.toMillis(), TimeUnit.MILLISECONDS);
      if (response.statusCode() / 100 != 2) {
        throw new Declined(
            response.statusCode(),
            response.body(),
            response.headers().firstValue("Retry-After").flatMap(BoundedHttp::wait));
      }
      return SuccessfulHttpResponse.builder()
          .statusCode(response.statusCode())
          .headers(response.headers().map())
          .body(response.body())
          .build();
    } catch (java.util.concurrent.TimeoutException e) {
      answer.cancel(true);
      throw new TimeoutException(e);
    } catch (InterruptedException e) {
      answer.cancel(true);
      Thread.currentThread().interrupt();
      throw new TimeoutException(e);
    } catch (ExecutionException e) {
      if (e.getCause() instanceof java.net.http.HttpTimeoutException late) {
        throw new TimeoutException(late);
      }
      throw new UncheckedIOException(
          e.getCause() instanceof IOException broken ? broken : new IOException(e.getCause()));
    }
  }

  /** Says that a service didn't do what it was asked, and when to ask again if it says so. */
  static final class Declined extends HttpException {
    private final transient Optional<Duration> wait;

    private Declined(int status, String body, Optional<Duration> wait) {
      super(status, body);
      this.wait = wait;
    }

    /** How long to wait, where that is known of what came of a question. */
    static Optional<Duration> waitOf(Throwable trouble) {
      for (Throwable t = trouble; t != null; t = t.getCause()) {
        if (t instanceof Declined declined) {
          return declined.wait;
        }
      }
      return Optional.empty();
    }
  }

  /** Seconds, as RFC 9110 has them; a date is left to our own patience. */
  private static Optional<Duration> wait(String header) {
    return header.matches("\\d{1,5}")
        ? Optional.of(Duration.ofSeconds(Integer.parseInt(header)))
        : Optional.empty();
  }

  @Override
  public void execute(
      HttpRequest request, ServerSentEventParser parser, ServerSentEventListener listener) {
    throw new UnsupportedOperationException("Answers are asked for whole.");
  }
}
