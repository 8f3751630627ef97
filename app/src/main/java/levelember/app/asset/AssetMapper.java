package levelember.app.asset;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** SQL of assets. */
@Mapper
interface AssetMapper {
  /** Bytes of an asset. */
  record Content(byte[] bytes) {}

  /** Locks content that is there, so that it is not swept; null when it is not. */
  @Select("select hash from asset where hash = #{hash} for update")
  String locked(@Param("hash") String hash);

  @Insert("insert into asset (hash, bytes) values (#{hash}, #{bytes})")
  void insert(@Param("hash") String hash, @Param("bytes") byte[] bytes);

  @Insert(
      "merge into shoot_asset (shoot_id, name, hash, added) key (shoot_id, name)"
          + " values (#{shoot}, #{name}, #{hash}, current_timestamp)")
  void name(@Param("shoot") String shoot, @Param("name") String name, @Param("hash") String hash);

  @Insert(
      "insert into shoot_asset (shoot_id, name, hash, added) select #{to}, name, hash,"
          + " current_timestamp from shoot_asset where shoot_id = #{from} and name = #{name}")
  void share(@Param("from") String from, @Param("to") String to, @Param("name") String name);

  /** Names that were given before a time. */
  @Select("select name from shoot_asset where shoot_id = #{shoot} and added < #{time}")
  List<String> addedBefore(@Param("shoot") String shoot, @Param("time") OffsetDateTime time);

  @Delete("delete from shoot_asset where shoot_id = #{shoot} and name = #{name}")
  void unname(@Param("shoot") String shoot, @Param("name") String name);

  @Select("select name from shoot_asset where shoot_id = #{shoot} order by name")
  List<String> names(@Param("shoot") String shoot);

  @Select("select hash from shoot_asset where shoot_id = #{shoot} and name = #{name}")
  String hash(@Param("shoot") String shoot, @Param("name") String name);

  @Select("select bytes as bytes from asset where hash = #{hash}")
  Content ofHash(@Param("hash") String hash);

  @Select(
      "select a.bytes as bytes from asset a join shoot_asset s on s.hash = a.hash"
          + " where s.shoot_id = #{shoot} and s.name = #{name}")
  Content content(@Param("shoot") String shoot, @Param("name") String name);

  @Delete(
      "delete from asset where hash not in (select hash from shoot_asset)"
          + " and hash not in (select lut_hash from kept_look where lut_hash is not null)")
  void forgetUnused();
}
