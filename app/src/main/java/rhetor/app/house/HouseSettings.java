package rhetor.app.house;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Where the house keeps its data and how it reaches its shop.
 *
 * @param data folder of the database and the suppliers' sheets
 * @param folder the folder that is watched for sheets and pictures, {@code incoming} in the data
 *     folder if nobody names another
 * @param shop the connected shop
 * @param pictures how pictures are fetched that sources name by address
 */
@ConfigurationProperties("rhetor")
public record HouseSettings(Path data, Path folder, Shop shop, Pictures pictures) {
  public HouseSettings {
    folder = folder == null ? data.resolve("incoming") : folder;
  }

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
