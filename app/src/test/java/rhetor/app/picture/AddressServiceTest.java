package rhetor.app.picture;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.picture.AddressStore.Waiting;
import rhetor.app.picture.PictureFetcher.Outcome;

/** What comes of pictures that can't be had. */
class AddressServiceTest {
  private final AddressStore store = mock(AddressStore.class);
  private final PictureFetcher fetcher = mock(PictureFetcher.class);
  private final PictureService pictures = mock(PictureService.class);
  private final AddressService service =
      new AddressService(
          store,
          fetcher,
          pictures,
          new TransactionTemplate(mock(PlatformTransactionManager.class)));

  private static Waiting waiting(long id, int tries) {
    return new Waiting(id, 7, "https://p.example/" + id + ".png", "p.example", "Tolvane", tries);
  }

  @BeforeEach
  void nothingTrusted() {
    when(fetcher.trusted()).thenReturn(List.of());
  }

  @Test
  void one_picture_that_breaks_the_analysis_does_not_hold_up_the_next() {
    when(store.next(any()))
        .thenReturn(Optional.of(waiting(1, 0)))
        .thenReturn(Optional.of(waiting(2, 0)))
        .thenReturn(Optional.empty());
    when(fetcher.fetch(any(), any())).thenReturn(new Outcome.Bytes(new byte[] {1}));
    when(pictures.fetched(eq("1.png"), any(), anyLong(), any()))
        .thenThrow(new IllegalStateException("odd"));
    when(pictures.fetched(eq("2.png"), any(), anyLong(), any())).thenReturn(42L);
    service.fetchAll();
    verify(store).failed(eq(1L), contains("could not be kept"));
    verify(store).fetched(2, 42);
  }

  @Test
  void a_host_in_trouble_is_asked_four_times_with_longer_and_longer_waits() {
    when(fetcher.fetch(any(), any()))
        .thenReturn(new Outcome.Later(Duration.ofSeconds(7), "The host asks to wait."));
    for (int tries = 0; tries < 4; tries++) {
      when(store.next(any()))
          .thenReturn(Optional.of(waiting(tries, tries)))
          .thenReturn(Optional.empty());
      service.fetchAll();
    }
    verify(store).later(eq(waiting(0, 0)), eq(Duration.ofSeconds(7)), any());
    verify(store).later(eq(waiting(1, 1)), eq(Duration.ofSeconds(20)), any());
    verify(store).later(eq(waiting(2, 2)), eq(Duration.ofSeconds(80)), any());
    verify(store).failed(eq(3L), contains("tried 4 times"));
  }
}
