package levelember.app.asset;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;
import levelember.formats.gltf.GltfFile;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.grade.CubeFile;
import levelember.formats.grade.LutFiles;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PictureFiles;
import levelember.scene.SceneAssets;
import levelember.texture.Pictures;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps assets by their content; a shoot knows them by name. A name never changes its content. */
@Service
public class Assets {
  private final AssetMapper mapper;

  Assets(AssetMapper mapper) {
    this.mapper = mapper;
  }

  /**
   * Adds a picture, a model or a LUT to a shoot. When the name is taken by another content, a
   * number is added.
   *
   * @return the name it has in the shoot
   * @throws levelember.formats.RefusedFile when it is none that can be read
   */
  @Transactional
  public String add(String shoot, String wanted, byte[] bytes) {
    check(wanted, bytes);
    return keep(shoot, wanted, bytes);
  }

  /**
   * Reads a file to see whether it can be read; takes as long as its decoding.
   *
   * @return what is mended in it when it is read, a line each
   * @throws levelember.formats.RefusedFile when it is no picture, model or LUT
   */
  public static List<String> check(String name, byte[] bytes) {
    if (CubeFile.named(name)) {
      CubeFile.read(bytes);
    } else if (GltfFile.is(bytes)) {
      GltfFile.read(bytes);
    } else {
      return PictureFile.mended(bytes).notes();
    }
    return List.of();
  }

  /**
   * The name under which a file would be kept: the wanted one, with a number where another content
   * has it.
   */
  @Transactional(readOnly = true)
  public String freeName(String shoot, String wanted, byte[] bytes) {
    return freeName(shoot, wanted, hash(bytes));
  }

  private String freeName(String shoot, String wanted, String hash) {
    int dot = wanted.lastIndexOf('.');
    String stem = dot > 0 ? wanted.substring(0, dot) : wanted;
    String end = dot > 0 ? wanted.substring(dot) : "";
    String name = wanted;
    for (int i = 2; taken(shoot, name, hash); i++) {
      name = stem + "-" + i + end;
    }
    return name;
  }

  /** Adds a file that is known to be readable; see {@link #add}. */
  @Transactional
  public String keep(String shoot, String wanted, byte[] bytes) {
    String hash = hash(bytes);
    String name = freeName(shoot, wanted, hash);
    if (mapper.locked(hash) == null) {
      insert(hash, bytes);
    }
    mapper.name(shoot, name, hash);
    return name;
  }

  private void insert(String hash, byte[] bytes) {
    try {
      mapper.insert(hash, bytes);
    } catch (DuplicateKeyException e) {
      // Somebody else kept the same content just now.
      mapper.locked(hash);
    }
  }

  /** Gives a shoot the named assets of another; no content is copied. */
  @Transactional
  public void share(String from, String to, Collection<String> names) {
    names.forEach(name -> mapper.share(from, to, name));
  }

  /**
   * Forgets names of a shoot that were given before a time and that nothing uses.
   *
   * @param used names that something uses
   */
  @Transactional
  public void forgetUnused(String shoot, OffsetDateTime before, Predicate<String> used) {
    for (String name : mapper.addedBefore(shoot, before)) {
      if (!used.test(name)) {
        mapper.unname(shoot, name);
      }
    }
  }

  private boolean taken(String shoot, String name, String hash) {
    String there = mapper.hash(shoot, name);
    return there != null && !there.equals(hash);
  }

  private static String hash(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("this Java lacks SHA-256", e);
    }
  }

  public List<String> names(String shoot) {
    return mapper.names(shoot);
  }

  /** All files of a shoot, by name. */
  @Transactional(readOnly = true)
  public SortedMap<String, byte[]> all(String shoot) {
    SortedMap<String, byte[]> to = new TreeMap<>();
    mapper.names(shoot).forEach(n -> to.put(n, mapper.content(shoot, n).bytes()));
    return to;
  }

  /** A shoot's assets as pictures and models. */
  public SceneAssets files(String shoot) {
    GltfMeshes meshes = new GltfMeshes(name -> bytes(shoot, name));
    return new SceneAssets(pictures(shoot), meshes, new LutFiles(name -> bytes(shoot, name)));
  }

  /** What an asset's content is kept under; null when there is no such asset. */
  public String hash(String shoot, String name) {
    return mapper.hash(shoot, name);
  }

  /** Content by what it is kept under. */
  public byte[] content(String hash) {
    return mapper.ofHash(hash).bytes();
  }

  /** The content of an asset, or null. */
  public byte[] bytes(String shoot, String name) {
    AssetMapper.Content content = mapper.content(shoot, name);
    return content == null ? null : content.bytes();
  }

  private Pictures pictures(String shoot) {
    return new PictureFiles(name -> bytes(shoot, name));
  }

  /** Forgets the content that no shoot and no kept look has any more. */
  @Transactional
  public void forgetUnused() {
    mapper.forgetUnused();
  }
}
