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
  /**
   * A shoot without its document.
   *
   * @param revision grows by one with every change
   */
  record Head(String id, String name, long revision, OffsetDateTime changed) {}

  /**
   * A shoot with its document.
   *
   * @param document as it was at {@code documentRevision}; what was done since is in patches
   */
  record Row(
      String id,
      String name,
      String document,
      long documentRevision,
      long revision,
      OffsetDateTime changed) {}

  /** Numbers of edits, found in an index alone. */
  String LAST_DONE = "(select max(number) from edit where shoot_id = #{shoot} and undone = false)";

  String FIRST_UNDONE =
      "(select min(number) from edit where shoot_id = #{shoot} and undone = true)";

  /** A shoot in the list. */
  record Title(String id, String name, OffsetDateTime changed) {}

  /** An edit as kept; both ways are JSON Patch. */
  record Edit(long number, String label, String forward, String backward, boolean undone) {}

  @Select("select id, name, changed from shoot order by changed desc, name")
  List<Title> titles();

  @Select("select id, name, revision, changed from shoot where id = #{id}")
  Head head(@Param("id") String id);

  @Select("select id, name, revision, changed from shoot where id = #{id} for update")
  Head locked(@Param("id") String id);

  @Select(
      "select id, name, document, document_revision, revision, changed from shoot"
          + " where id = #{id}")
  Row row(@Param("id") String id);

  @Insert(
      "insert into shoot (id, name, document, document_revision, revision, changed)"
          + " values (#{id}, #{name}, #{document}, 1, 1, #{changed})")
  void insert(
      @Param("id") String id,
      @Param("name") String name,
      @Param("document") String document,
      @Param("changed") OffsetDateTime changed);

  /** Writes the whole document at a revision. */
  @Update(
      "update shoot set name = #{name}, document = #{document}, revision = #{revision},"
          + " document_revision = #{revision}, changed = #{changed} where id = #{id}")
  void rewrite(
      @Param("id") String id,
      @Param("name") String name,
      @Param("document") String document,
      @Param("revision") long revision,
      @Param("changed") OffsetDateTime changed);

  /** Goes on to a revision whose change is kept as a patch. */
  @Update(
      "update shoot set name = #{name}, revision = #{revision}, changed = #{changed}"
          + " where id = #{id}")
  void advance(
      @Param("id") String id,
      @Param("name") String name,
      @Param("revision") long revision,
      @Param("changed") OffsetDateTime changed);

  @Insert(
      "insert into shoot_patch (shoot_id, revision, operations)"
          + " values (#{id}, #{revision}, #{operations})")
  void insertPatch(
      @Param("id") String id,
      @Param("revision") long revision,
      @Param("operations") String operations);

  /** Changes after a revision up to another, oldest first, each JSON Patch. */
  @Select(
      "select operations from shoot_patch where shoot_id = #{id} and revision > #{after}"
          + " and revision <= #{last} order by revision")
  List<String> changes(
      @Param("id") String id, @Param("after") long after, @Param("last") long last);

  @Delete("delete from shoot_patch where shoot_id = #{id}")
  void forgetChanges(@Param("id") String id);

  @Insert(
      "insert into edit (shoot_id, number, label, forward, backward, undone, characters)"
          + " values (#{shoot}, #{e.number}, #{e.label}, #{e.forward}, #{e.backward}, false,"
          + " char_length(#{e.forward}) + char_length(#{e.backward}))")
  void insertEdit(@Param("shoot") String shoot, @Param("e") Edit edit);

  @Select(
      "select number, label, forward, backward, undone from edit where shoot_id = #{shoot}"
          + " and number = "
          + LAST_DONE)
  Edit lastDone(@Param("shoot") String shoot);

  @Select(
      "select number, label, forward, backward, undone from edit where shoot_id = #{shoot}"
          + " and number = "
          + FIRST_UNDONE)
  Edit firstUndone(@Param("shoot") String shoot);

  @Select("select label from edit where shoot_id = #{shoot} and number = " + LAST_DONE)
  String undoLabel(@Param("shoot") String shoot);

  @Select("select label from edit where shoot_id = #{shoot} and number = " + FIRST_UNDONE)
  String redoLabel(@Param("shoot") String shoot);

  @Update("update edit set undone = #{undone} where shoot_id = #{shoot} and number = #{number}")
  void mark(
      @Param("shoot") String shoot, @Param("number") long number, @Param("undone") boolean undone);

  @Delete("delete from edit where shoot_id = #{shoot} and undone = true")
  void forgetUndone(@Param("shoot") String shoot);

  @Delete("delete from edit where shoot_id = #{shoot} and undone = false and number <= #{number}")
  void forgetDoneUpTo(@Param("shoot") String shoot, @Param("number") long number);

  /** How long an edit is, both ways together. */
  record EditLength(long number, long characters) {}

  /** How many edits a shoot has, and how long they are together. */
  record EditTotals(long number, long characters) {}

  @Select(
      "select count(*) as number, coalesce(sum(characters), 0) as characters from edit"
          + " where shoot_id = #{shoot}")
  EditTotals totals(@Param("shoot") String shoot);

  /** The newest edit after so many newer ones; null when there are not as many. */
  @Select(
      "select number from edit where shoot_id = #{shoot} order by number desc"
          + " limit 1 offset #{newer}")
  Long after(@Param("shoot") String shoot, @Param("newer") int newer);

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
