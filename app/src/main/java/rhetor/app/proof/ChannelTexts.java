package rhetor.app.proof;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import rhetor.app.channel.Channel;
import rhetor.app.channel.Channels;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.template.Templates;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.exchange.TextColumns;
import rhetor.core.text.Draft;

/**
 * Texts for channels: composed from the same facts as the shop's, as the channel is written, and
 * unlike the shop's, so that the two don't compete. They are not kept: the same facts and styles
 * give the same words.
 */
@Service
public class ChannelTexts {
  private static final Logger LOG = LoggerFactory.getLogger(ChannelTexts.class);

  private final Channels channels;
  private final ProductService products;
  private final Templates templates;
  private final HouseKnowledge knowledge;
  private final HouseTexts house;

  ChannelTexts(
      Channels channels,
      ProductService products,
      Templates templates,
      HouseKnowledge knowledge,
      HouseTexts house) {
    this.channels = channels;
    this.products = products;
    this.templates = templates;
    this.knowledge = knowledge;
    this.house = house;
  }

  /** Whoever writes for a channel, product by product. */
  public Writer writer(long channel) {
    Channel whose = channels.get(channel);
    return new Writer(whose, house.composer(channel));
  }

  /** Writes for one channel. */
  public final class Writer {
    private final Channel channel;
    private final Composer composer;

    private Writer(Channel channel, Composer composer) {
      this.channel = channel;
      this.composer = composer;
    }

    /**
     * A product's cells in the channel's sheet; the last one names what must be fixed, or why there
     * is no text.
     */
    public List<String> cells(long productId) {
      try {
        return written(productId);
      } catch (RuntimeException e) {
        LOG.warn("writing for product {} and channel {} failed", productId, channel.id(), e);
        return TextColumns.none("It could not be written: " + e.getMessage());
      }
    }

    private List<String> written(long productId) {
      Product product = products.get(productId);
      Brief brief = templates.brief(product, channel);
      Draft draft = composer.compose(brief);
      Audit audit =
          new Checker(knowledge.current(), brief.style())
              .check(draft, product.facts(), product.keyword());
      return channel.takesMarkup()
          ? TextColumns.of(draft, audit, brief.style().structure().headingLevel())
          : TextColumns.plain(draft, audit);
    }
  }
}
