package levelember.app.shoot;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** SQL of shoots and their edits. */
@Mapper
interface ShootMapper {
  /** A shoot as kept. */
  record Row(String id, String name, String document, long revision) {}

  /** A shoot in the list. */
  record Title(String id, String name, OffsetDateTime changed) {}

  /** An edit as kept; both ways are JSON Patch. */
  record Edit(long number, String label, String forward, String backward, boolean undone) {}

  @Select("select id, name, changed from shoot order by changed desc, name")
  List<Title> titles();

  @Select("select id, name, document, revision from shoot where id = #{id}")
  Row row(@Param("id") String id);

  @Select("select id, name, document, revision from shoot where id = #{id} for update")
  Row locked(@Param("id") String id);

  @Insert(
      "insert into shoot (id, name, document, revision, changed)"
          + " values (#{id}, #{name}, #{document}, #{revision}, current_timestamp)")
  void insert(Row row);

  @Update(
      "update shoot set name = #{name}, document = #{document}, revision = #{revision},"
          + " changed = current_timestamp where id = #{id}")
  void update(Row row);

  @Insert(
      "insert into edit (shoot_id, number, label, forward, backward, undone, characters)"
          + " values (#{shoot}, #{e.number}, #{e.label}, #{e.forward}, #{e.backward}, false,"
          + " char_length(#{e.forward}) + char_length(#{e.backward}))")
  void insertEdit(@Param("shoot") String shoot, @Param("e") Edit edit);

  @Select(
      "select number, label, forward, backward, undone from edit where shoot_id = #{shoot}"
          + " and not undone order by number desc limit 1")
  Edit lastDone(@Param("shoot") String shoot);

  @Select(
      "select number, label, forward, backward, undone from edit where shoot_id = #{shoot}"
          + " and undone order by number limit 1")
  Edit firstUndone(@Param("shoot") String shoot);

  @Update("update edit set undone = #{undone} where shoot_id = #{shoot} and number = #{number}")
  void mark(
      @Param("shoot") String shoot, @Param("number") long number, @Param("undone") boolean undone);

  @Delete("delete from edit where shoot_id = #{shoot} and undone")
  void forgetUndone(@Param("shoot") String shoot);

  @Delete("delete from edit where shoot_id = #{shoot} and not undone and number <= #{number}")
  void forgetDoneUpTo(@Param("shoot") String shoot, @Param("number") long number);

  /** How long an edit is, both ways together. */
  record EditLength(long number, long characters) {}

  @Select("select number, characters from edit where shoot_id = #{shoot} order by number desc")
  List<EditLength> newestLengths(@Param("shoot") String shoot);

  @Delete("delete from edit where shoot_id = #{shoot} and number <= #{number}")
  void forgetUpTo(@Param("shoot") String shoot, @Param("number") long number);

  /** Both ways of all edits of a shoot, as kept. */
  @Select(
      "select forward from edit where shoot_id = #{shoot}"
          + " union all select backward from edit where shoot_id = #{shoot}")
  List<String> patches(@Param("shoot") String shoot);

  @Delete("delete from shoot where id = #{id}")
  void delete(@Param("id") String id);
}
