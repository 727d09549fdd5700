package rhetor.app.web;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Keeps streams of events few: each window that follows something holds one open, and somebody who
 * opens more than windows need loses the oldest.
 */
@Component
public class Streams {
  private static final int OF_A_PERSON = 6;
  private static final int IN_ALL = 300;

  private final Map<String, Deque<SseEmitter>> open = new HashMap<>();
  private int all;

  /**
   * Opens a stream for a person; the oldest of theirs ends if there are too many.
   *
   * @throws Refused if all streams that there may be are open
   */
  public SseEmitter open(String person) {
    SseEmitter stream = new SseEmitter(0L);
    SseEmitter oldest = null;
    synchronized (this) {
      Deque<SseEmitter> own = open.computeIfAbsent(person, p -> new ArrayDeque<>());
      if (own.size() >= OF_A_PERSON) {
        oldest = own.removeFirst();
        all--;
      }
      if (all >= IN_ALL) {
        throw Refused.tooMany("Too many windows follow what goes on. Look again in a moment.");
      }
      own.addLast(stream);
      all++;
    }
    if (oldest != null) {
      oldest.complete();
    }
    stream.onCompletion(() -> closed(person, stream));
    stream.onError(e -> closed(person, stream));
    return stream;
  }

  /** Whether a stream is still followed. */
  public synchronized boolean isOpen(String person, SseEmitter stream) {
    return open.getOrDefault(person, new ArrayDeque<>()).contains(stream);
  }

  private synchronized void closed(String person, SseEmitter stream) {
    Deque<SseEmitter> own = open.get(person);
    if (own != null && own.remove(stream)) {
      all--;
      if (own.isEmpty()) {
        open.remove(person);
      }
    }
  }
}
