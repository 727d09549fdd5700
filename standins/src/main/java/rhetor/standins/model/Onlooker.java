package rhetor.standins.model;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * Says what a picture shows, as far as its middle tells, and now and then what it doesn't: a stuff
 * that nobody can see.
 */
final class Onlooker {
  private static final String QUESTION = "What does the picture show?";
  private static final int IMAGINES = 3;
  private static final int DARK = 60;
  private static final int BRIGHT = 200;
  private static final int GREY = 24;
  private static final List<String> STUFFS = List.of("leather", "walnut", "brass", "wool");

  static boolean isAsked(String prompt) {
    return prompt.startsWith(QUESTION);
  }

  String answer(List<String> pictures) {
    if (pictures.isEmpty()) {
      return "I can't see a picture.";
    }
    String address = pictures.getFirst();
    byte[] bytes = Base64.getDecoder().decode(address.substring(address.indexOf(',') + 1));
    try {
      BufferedImage picture = ImageIO.read(new ByteArrayInputStream(bytes));
      if (picture == null) {
        return "The picture can't be opened.";
      }
      int rgb = picture.getRGB(picture.getWidth() / 2, picture.getHeight() / 2);
      Random mood = new Random(address.hashCode());
      String imagined =
          mood.nextInt(IMAGINES) == 0
              ? "\nMaterial: " + STUFFS.get(mood.nextInt(STUFFS.size()))
              : "";
      return "Here is what I see:\nColour: "
          + colour(rgb)
          + "\nShape: "
          + (picture.getHeight() > picture.getWidth() ? "upright" : "broad")
          + imagined;
    } catch (IOException e) {
      return "The picture can't be opened.";
    }
  }

  private static String colour(int rgb) {
    int red = rgb >> 16 & 255;
    int green = rgb >> 8 & 255;
    int blue = rgb & 255;
    int most = Math.max(red, Math.max(green, blue));
    int least = Math.min(red, Math.min(green, blue));
    if (most - least < GREY) {
      return most < DARK ? "black" : most > BRIGHT ? "white" : "grey";
    }
    return most == red ? "red" : most == green ? "green" : "blue";
  }
}
