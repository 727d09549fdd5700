package rhetor.app.house;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Where the house keeps its data and how it reaches its shop.
 *
 * @param data folder of the database and the suppliers' sheets
 * @param shop the connected shop
 */
@ConfigurationProperties("rhetor")
public record HouseSettings(Path data, Shop shop) {

  /**
   * A shop that takes texts over its HTTP API.
   *
   * @param url where the shop is
   * @param token what lets Rhetor write there
   */
  public record Shop(String url, String token) {}
}
