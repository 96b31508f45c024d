package drevik.category;

import drevik.category.NameSorter.Vote;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * In work for picture, a name begins with its department, and what follows describes the moment:
 * “VO the old piano” is narration, “SFX hammer on anvil” an effect. What follows may only say which
 * part of the department it is of: “DX futz phone”.
 */
final class Departments {
  /**
   * What a name begins with.
   *
   * @param category that of the department
   * @param words how many words say it
   * @param sure false for a word that says so only where the whole delivery is of picture
   */
  record Head(String category, int words, boolean sure, String written) {
    /** Songs have effects as well, and call them so. */
    boolean isOfPictureAlone() {
      return sure && !category.equals(EFFECTS);
    }

    boolean holdsIn(KindOfWork kind) {
      return switch (kind) {
        case PICTURE -> true;
        case MUSIC, DANCE, ORCHESTRA -> isOfPictureAlone();
        case EVENT, UNTOLD -> sure;
      };
    }
  }

  private record Department(String category, boolean sure) {}

  private static final String EFFECTS = "effects";
  private static final String DESIGN = "effects/design";
  private static final Map<String, Department> BY_WORD = new HashMap<>();

  /** Words of one to three pieces. */
  private static final int LONGEST = 3;

  static {
    sure(
        "narration",
        "vo,narr,narrator,narration,voiceover,voice over,voice off,voix off,off sprecher,sprecher,"
            + "sprecherin,erzahler,erzahlerin,narratrice,narrateur,narrador,narradora,locucion,"
            + "narratore,kommentar,off kommentar,vof,voff,lektor,speaker off,voz en off,voz off,"
            + "voce off,voce fuori campo,locucao,locuzione,narracao,narracion,narrazione,"
            + "audiodescription,audio description,audiodescripcion,audiodescrizione,"
            + "audiodescricao,audiodeskription,sprechertext");
    sure("interview", "itv,itw,intv,interview,interviews,entrevista,intervista,entretien");
    inPicture("interview", "ent,iv,int,interv,sit,contrib,talking head,depoimento,testimonio");
    sure("interview/field", "otf");
    sure("natural", "nat,nats,sot,natsot,nat sot,nat sound,natsound,son seul,sons seuls,nur ton");
    sure("natural", "wild track,wildtrack,wild tracks,wildtracks,nurton");
    sure("dialogue/adr", "adr,synchron,nachsynchron,postsynchro,post synchro,postsync,wild lines");
    sure("dialogue/production", "presa diretta,son direct");
    sure("natural", "sonido directo,som direto,suono diretto,suono in presa");
    inPicture("dialogue/adr", "ps,dub,dubbing,doblaje,doppiaggio,doublage,dublagem,dobragem");
    inPicture(
        "dialogue/production",
        "pd,sync dx,sync sound,direct,directo,diretta,direto,boom,angel,zender");
    sure(EFFECTS, "sfx");
    sure("effects/hard", "hfx,hard fx,hardfx");
    sure("effects/production", "pfx,prod fx,production fx,produktionseffekte");
    sure("effects/design", "dsgn,sdx,sounddesign,sound design,sfx des,sfx dsgn,sfx dsn");
    sure("foley", "fol,foley,bruitage,bruitages,gerausche,geraeusche,gerauschemacher");
    sure("ambience/tone", "roomtone,room tone,raumton,tonraum");
    sure("dialogue/crowd", "walla,loop group,loopgroup,adr group,group adr,grp adr");
    sure("dialogue/futz", "futz");
    inPicture(
        "dialogue",
        "dx,vox,dia,dial,dlg,dialog,dialogue,dialogues,dialoge,dialogo,dialogos,dialoghi");
    inPicture(
        "dialogue/production", "oton,o ton,ot,prod,prod dx,hf,perche,lav,lavalier,percha,pertiga");
    inPicture(
        "dialogue/production", "corbatero,inalambrico,ansteck,ansteckmikro,mixette,iso,micro");
    inPicture(
        "dialogue/crowd",
        "crowd,grp,group,groupe,gemurmel,lg,brusio,figu,murmures,murmullo,burburinho");
    inPicture("dialogue/crowd", "ambiance humaine,vozerio,stimmengewirr,vociare");
    inPicture("natural", "wt,wild,wild tk,actuality,loc sound,location sound,nat snd");
    inPicture("effects/hard", "spot,spot fx,spots,spot effects");
    inPicture("interview/field", "micro trottoir,vox pop,vox pops,vox populi");
    inPicture(
        "ambience",
        "amb,amb int,amb ext,ambs,bg,bgs,atmo,atm,atmos,ambiance,ambiances,ambience,ambiente");
    inPicture("ambience", "ambi,ambienti,ambientes,bck,background,backgrounds,hintergrund,sfondo");
    inPicture("ambience/tone", "rt,raumatmo,stille,presence,presenza,tono de sala,tom de sala");
    inPicture("score", "mx,mus,music,musik,musique,musica,score,filmmusik,cue,trilha,trl,bso,scr");
    inPicture(
        "score/source", "source music,source,src,mx src,mus source,mx source,source mx,src mx");
    inPicture(EFFECTS, "fx,efx,effekt,effekte,effects,bruits,bruit,efectos,effetti,efeitos,effets");
    inPicture("effects/design", "sd,des,design,dsn,fx des,des fx,dis,diseno,disegno");
    inPicture("narration", "off,loc,ad,commentary,commentaire,locutor,locutora");
    inPicture("foley", "fly,bru,gr,rumori,rumoristica,sonoplastia,efectos sala");
  }

  /** What follows a department may say that it is this part of it. */
  private record Part(String department, String category, Set<String> words) {}

  /** Of several, the first. */
  private static final List<Part> PARTS =
      List.of(
          part(
              "dialogue",
              "dialogue/futz",
              "futz,futzed,walkie,megaphone,intercom,phone,tannoy,comms"),
          part("dialogue", "dialogue/adr", "adr"),
          part("dialogue", "dialogue/crowd", "walla,crowd,group,grp"),
          part("dialogue/adr", "dialogue/crowd", "group,grp,walla,crowd,groupe"),
          part(EFFECTS, DESIGN, "des,design,dsgn,dsn,drone,whoosh"),
          part("score", "score/source", "source,src,diegetic,radio,jukebox"),
          part("interview", "interview/field", "otf,field,location,roof"),
          part("ambience", "ambience/tone", "roomtone,tone,rt"));

  /** Parts that are said by entries of the book, where they are of the same family. */
  private static final Set<String> ASK_THE_BOOK =
      Set.of("foley", "dialogue", "dialogue/production", EFFECTS);

  private Departments() {}

  private static Part part(String department, String category, String words) {
    return new Part(department, category, Set.of(words.split(",", 0)));
  }

  private static void sure(String category, String words) {
    add(category, words, true);
  }

  private static void inPicture(String category, String words) {
    add(category, words, false);
  }

  private static void add(String category, String words, boolean sure) {
    for (String word : words.split(",", 0)) {
      BY_WORD.put(word, new Department(category, sure));
    }
  }

  /** The department that a name begins with, the longest phrase first. */
  static Optional<Head> headOf(List<String> tokens) {
    for (int length = Math.min(LONGEST, tokens.size()); length > 0; length--) {
      String phrase = String.join(" ", tokens.subList(0, length));
      Department department = BY_WORD.get(phrase);
      if (department != null) {
        return Optional.of(new Head(department.category(), length, department.sure(), phrase));
      }
    }
    return Optional.empty();
  }

  /** True for a name that no delivery of music has. */
  static boolean isOfPicture(String name) {
    return headOf(NameTokens.of(name)).filter(Head::isOfPictureAlone).isPresent();
  }

  /** True for a name that begins with a department which needs no other to be believed. */
  static boolean isSure(String name, KindOfWork kind) {
    return headOf(NameTokens.of(name))
        .filter(head -> head.sure() && head.holdsIn(kind))
        .isPresent();
  }

  /** True for a name that begins with “FX”, in whatever language. */
  static boolean isEffect(String name) {
    return headOf(NameTokens.of(name)).filter(head -> head.category().equals(EFFECTS)).isPresent();
  }

  /** What may stand beside “stem” where a department's whole stem is meant. */
  private static final Set<String> OF_WHOLE_STEM =
      Set.of(
          "stem",
          "stems",
          "print",
          "printed",
          "surround",
          "final",
          "full",
          "master",
          "mix",
          "dipped",
          "undipped",
          "minus");

  /** True for “MX stem”; false for “MX stem strings”, which is a part of what is mixed. */
  static boolean isWholeStem(List<String> rest) {
    return rest.stream().allMatch(word -> word.length() <= 2 || OF_WHOLE_STEM.contains(word));
  }

  /** The category of what begins with a department: that itself, or the part that follows. */
  static String partOf(Head head, List<String> rest, List<Vote> votes) {
    for (Part part : PARTS) {
      if (part.department().equals(head.category())
          && rest.stream().anyMatch(part.words()::contains)) {
        return part.category();
      }
    }
    if (!ASK_THE_BOOK.contains(head.category())) {
      return head.category();
    }
    String family = CategoryTree.topOf(head.category());
    return votes.stream()
        .filter(vote -> !vote.soft() && vote.family().equals(family))
        .filter(vote -> !vote.category().equals(family))
        .max(Comparator.comparingDouble(Vote::weight))
        .map(Vote::category)
        // Whether a sound was recorded or designed, only the department says.
        .filter(part -> !part.equals(DESIGN))
        .orElse(head.category());
  }
}
