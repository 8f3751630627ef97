package levelember.app.proof;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** SQL of proofs. */
@Mapper
interface ProofMapper {
  String COLUMNS =
      "id, shoot_id as shoot, name, note, star, created, shot, shot_name as shotName, seconds,"
          + " width, height,"
          + " samples, noise_percent as noisePercent, traced_seconds as tracedSeconds,"
          + " octet_length(picture) as pictureBytes,"
          + " coalesce(octet_length(layers), 0) as layerBytes";

  /**
   * A proof without its contents.
   *
   * @param seconds the time at which a shoot that moves was shown, or null for it at rest
   * @param samples of a pixel, the least
   * @param noisePercent of the picture as traced, or null where it was not known
   * @param layerBytes 0 when it has no layers
   */
  record Row(
      Long id,
      String shoot,
      String name,
      String note,
      boolean star,
      OffsetDateTime created,
      String shot,
      String shotName,
      Double seconds,
      int width,
      int height,
      double samples,
      Double noisePercent,
      double tracedSeconds,
      long pictureBytes,
      long layerBytes) {}

  /** What a new proof keeps. */
  final class Fresh {
    Long id;
    String shoot;
    String name;
    String shot;
    String shotName;
    Double seconds;
    int width;
    int height;
    double samples;
    Double noisePercent;
    double tracedSeconds;
    String document;
    byte[] picture;
    byte[] layers;
  }

  @Insert(
      "insert into proof (shoot_id, name, shot, shot_name, seconds, width, height, samples, noise_percent,"
          + " traced_seconds, document, picture, layers) values (#{shoot}, #{name}, #{shot},"
          + " #{shotName}, #{seconds}, #{width}, #{height}, #{samples}, #{noisePercent}, #{tracedSeconds},"
          + " #{document}, #{picture}, #{layers})")
  @Options(useGeneratedKeys = true, keyProperty = "id")
  void keep(Fresh fresh);

  @Select("select " + COLUMNS + " from proof where shoot_id = #{shoot} order by id")
  List<Row> of(@Param("shoot") String shoot);

  @Select("select " + COLUMNS + " from proof where id = #{id}")
  Row one(@Param("id") long id);

  @Select("select document from proof where id = #{id}")
  String document(@Param("id") long id);

  /** Bytes of a proof; none where it has none. */
  record Content(byte[] bytes) {}

  @Select("select picture as bytes from proof where id = #{id}")
  Content picture(@Param("id") long id);

  @Select("select layers as bytes from proof where id = #{id}")
  Content layers(@Param("id") long id);

  @Update("update proof set name = #{name}, note = #{note}, star = #{star} where id = #{id}")
  int change(
      @Param("id") long id,
      @Param("name") String name,
      @Param("note") String note,
      @Param("star") boolean star);

  @Update("update proof set layers = null where id = #{id}")
  int deleteLayers(@Param("id") long id);

  @Delete("delete from proof where id = #{id}")
  int delete(@Param("id") long id);
}
