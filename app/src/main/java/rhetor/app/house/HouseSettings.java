package rhetor.app.house;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Where the house keeps its data and how it reaches its shop.
 *
 * @param data folder of the database and the suppliers' sheets
 * @param shop the connected shop
 * @param pictures how pictures are fetched that sources name by address
 */
@ConfigurationProperties("rhetor")
public record HouseSettings(Path data, Shop shop, Pictures pictures) {

  /**
   * A shop that takes texts over its HTTP API.
   *
   * @param url where the shop is
   * @param token what lets Rhetor write there
   */
  public record Shop(String url, String token) {}

  /**
   * Where pictures are fetched from.
   *
   * @param standIn address that stands in for all hosts under {@code .example}, which exist
   *     nowhere; empty outside of demonstrations
   */
  public record Pictures(String standIn) {}
}
