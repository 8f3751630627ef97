package levelember.app.print;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** SQL of print jobs. */
@Mapper
interface PrintMapper {
  String COLUMNS =
      "id, folder, shoot, shoot_name as shootName, shot_name as shotName, print_order as printOrder,"
          + " state, place, created, ended, band_rows as bandRows, samples, noise, done,"
          + " traced_seconds as tracedSeconds, detail, files";

  /**
   * A job.
   *
   * @param folder name of the folder with its shoot and its films
   * @param shoot id of the shoot that it was ordered of
   * @param printOrder as JSON
   * @param place in the queue, the least first
   * @param ended when it was done, stopped or failed; else null
   * @param bandRows rows of a band, 0 before it was begun
   * @param samples of a pixel on the mean
   * @param noise of the picture, 1 for 100 percent, or null
   * @param done share of the work, 0…1
   * @param detail why it failed, or null
   * @param files paths of what was written, as JSON
   */
  record Row(
      Long id,
      String folder,
      String shoot,
      String shootName,
      String shotName,
      String printOrder,
      String state,
      long place,
      OffsetDateTime created,
      OffsetDateTime ended,
      int bandRows,
      double samples,
      Double noise,
      double done,
      double tracedSeconds,
      String detail,
      String files) {}

  /** What is told of a new job. */
  final class Fresh {
    Long id;
    final String folder, shoot, shootName, shotName, printOrder;
    final long place;

    Fresh(
        String folder,
        String shoot,
        String shootName,
        String shotName,
        String printOrder,
        long place) {
      this.folder = folder;
      this.shoot = shoot;
      this.shootName = shootName;
      this.shotName = shotName;
      this.printOrder = printOrder;
      this.place = place;
    }
  }

  @Insert(
      "insert into print_job (folder, shoot, shoot_name, shot_name, print_order, state, place)"
          + " values (#{folder}, #{shoot}, #{shootName}, #{shotName}, #{printOrder}, 'waiting',"
          + " #{place})")
  @Options(useGeneratedKeys = true, keyProperty = "id", keyColumn = "id")
  void insert(Fresh job);

  @Select("select " + COLUMNS + " from print_job order by id desc")
  List<Row> all();

  @Select("select " + COLUMNS + " from print_job where id = #{id}")
  Row one(@Param("id") long id);

  @Select(
      "select "
          + COLUMNS
          + " from print_job where state in ('waiting', 'printing',"
          + " 'stopping') order by case state when 'stopping' then 0 else 1 end, place, id limit 1")
  Row next();

  @Select("select coalesce(max(place), 0) from print_job")
  long lastPlace();

  @Select("select coalesce(min(place), 0) from print_job where state in ('waiting', 'printing')")
  long firstPlace();

  @Update(
      "update print_job set state = #{state}, detail = #{detail}, ended = case when #{state} in"
          + " ('done', 'stopped', 'failed') then current_timestamp end where id = #{id}")
  void state(@Param("id") long id, @Param("state") String state, @Param("detail") String detail);

  @Update("update print_job set state = 'printing' where id = #{id} and state = 'waiting'")
  void printing(@Param("id") long id);

  @Update("update print_job set state = 'waiting' where state = 'printing'")
  void waiting();

  @Update("update print_job set place = #{place} where id = #{id}")
  void place(@Param("id") long id, @Param("place") long place);

  @Update("update print_job set print_order = #{order} where id = #{id}")
  void order(@Param("id") long id, @Param("order") String order);

  @Update("update print_job set band_rows = #{rows} where id = #{id}")
  void bands(@Param("id") long id, @Param("rows") int rows);

  @Update(
      "update print_job set samples = #{samples}, noise = #{noise}, done = #{done},"
          + " traced_seconds = #{seconds} where id = #{id}")
  void progress(
      @Param("id") long id,
      @Param("samples") double samples,
      @Param("noise") Double noise,
      @Param("done") double done,
      @Param("seconds") double seconds);

  @Update("update print_job set files = #{files} where id = #{id}")
  void files(@Param("id") long id, @Param("files") String files);

  @Delete("delete from print_job where id = #{id}")
  int delete(@Param("id") long id);
}
