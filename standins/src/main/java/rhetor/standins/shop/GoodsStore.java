package rhetor.standins.shop;

import jakarta.annotation.PostConstruct;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.safety.Safelist;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.standins.harrowmere.Catalogue;
import rhetor.standins.harrowmere.PictureMaker;

/** The shop's own database. */
@Repository
class GoodsStore {
  private final JdbcClient jdbc;

  GoodsStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @PostConstruct
  void create() {
    jdbc.sql(
            """
            create table if not exists goods (
              sku varchar(64) primary key,
              slug varchar(200) not null unique,
              title varchar(400) not null,
              short_description varchar(2000) not null,
              description varchar(100000) not null,
              meta_title varchar(400) not null,
              meta_description varchar(1000) not null,
              tags varchar(2000) not null,
              image_alt varchar(400) not null,
              version bigint not null
            )
            """)
        .update();
    jdbc.sql("create table if not exists picture (sku varchar(64) primary key, png blob not null)")
        .update();
    if (jdbc.sql("select count(*) from goods").query(Long.class).single() == 0) {
      PictureMaker pictures = new PictureMaker();
      for (Catalogue.Shown shown : Catalogue.shown()) {
        // What stands in the shop before Rhetor: a title and a thin line, as in every other shop.
        put(
            shown.sku(),
            new Goods.Texts(
                shown.name(),
                "",
                "<p>" + shown.oldText() + "</p>" + pictureInText(shown.sku()),
                shown.name(),
                "",
                List.of(),
                ""));
        putPicture(shown.sku(), pictures.draw(shown));
      }
    }
    for (Category page : Category.all()) {
      if (find(page.sku()).isEmpty()) {
        put(
            page.sku(),
            new Goods.Texts(page.name(), "", page.text(), page.name(), "", List.of(), ""));
      }
    }
  }

  /** In some old texts a picture stands in the middle of the words. */
  private static String pictureInText(String sku) {
    return sku.endsWith("1") ? "<p><img src=\"/pictures/" + sku + ".png\" alt=\"\"></p>" : "";
  }

  Optional<Goods> find(String sku) {
    return jdbc.sql("select * from goods where sku = ?")
        .param(sku)
        .query(GoodsStore::read)
        .optional();
  }

  Optional<Goods> findBySlug(String slug) {
    return jdbc.sql("select * from goods where slug = ?")
        .param(slug)
        .query(GoodsStore::read)
        .optional();
  }

  /** A page of products; texts of category pages, which are kept among them, are none. */
  List<Goods> page(String after, int limit) {
    return jdbc.sql("select * from goods where sku > ? and sku not like ? order by sku limit ?")
        .params(after, Category.SKU + "%", limit)
        .query(GoodsStore::read)
        .list();
  }

  private static Goods read(ResultSet rs, int row) throws SQLException {
    String tags = rs.getString("tags");
    return new Goods(
        rs.getString("sku"),
        rs.getString("slug"),
        rs.getString("title"),
        rs.getString("short_description"),
        rs.getString("description"),
        rs.getString("meta_title"),
        rs.getString("meta_description"),
        tags.isEmpty() ? List.of() : Arrays.asList(tags.split(",")),
        rs.getString("image_alt"),
        rs.getLong("version"));
  }

  Goods put(String sku, Goods.Texts t) {
    // The address of the shop itself is of no matter: links to its own pages stay relative.
    String html =
        Jsoup.clean(
            t.description(),
            "http://shop.example/",
            Safelist.relaxed().preserveRelativeLinks(true));
    String tags = String.join(",", t.tags().stream().map(tag -> tag.replace(",", " ")).toList());
    if (find(sku).isPresent()) {
      jdbc.sql(
              "update goods set title = ?, short_description = ?, description = ?, meta_title = ?, meta_description = ?, tags = ?, image_alt = ?, version = version + 1 where sku = ?")
          .params(
              t.title(),
              t.shortDescription(),
              html,
              t.metaTitle(),
              t.metaDescription(),
              tags,
              t.imageAlt(),
              sku)
          .update();
    } else {
      jdbc.sql("insert into goods values (?, ?, ?, ?, ?, ?, ?, ?, ?, 1)")
          .params(
              sku,
              slug(t.title(), sku),
              t.title(),
              t.shortDescription(),
              html,
              t.metaTitle(),
              t.metaDescription(),
              tags,
              t.imageAlt())
          .update();
    }
    return find(sku).orElseThrow();
  }

  private static String slug(String title, String sku) {
    String plain =
        Normalizer.normalize(title + " " + sku, Normalizer.Form.NFD)
            .replaceAll("\\p{M}", "")
            .toLowerCase(Locale.ROOT);
    return plain.replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
  }

  Optional<byte[]> picture(String sku) {
    return jdbc.sql("select png from picture where sku = ?")
        .param(sku)
        .query(byte[].class)
        .optional();
  }

  void putPicture(String sku, byte[] png) {
    jdbc.sql("merge into picture (sku, png) values (?, ?)").params(sku, png).update();
  }
}
