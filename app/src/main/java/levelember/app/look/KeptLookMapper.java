package levelember.app.look;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** SQL of looks that are kept for all shoots. */
@Mapper
interface KeptLookMapper {
  /**
   * A kept look.
   *
   * @param lutHash of the content of its LUT, or null
   */
  record Row(String id, String name, String document, String lutHash) {}

  @Insert(
      "insert into kept_look (id, name, document, lut_hash)"
          + " values (#{id}, #{name}, #{document}, #{lutHash})")
  void keep(Row row);

  @Select("select id, name, document, lut_hash as lutHash from kept_look order by name, id")
  List<Row> all();

  @Select("select id, name, document, lut_hash as lutHash from kept_look where id = #{id}")
  Row one(@Param("id") String id);

  @Delete("delete from kept_look where id = #{id}")
  int forget(@Param("id") String id);
}
