package drevik.intake;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DeliveryReportTest {
  @TempDir Path folder;

  private Inspection second() throws IOException {
    Path file = folder.resolve("a.wav");
    float[][] audio = new float[1][48_000];
    for (int i = 0; i < 48_000; i++) {
      audio[0][i] = (float) (0.5 * Math.sin(i * 0.13));
    }
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
      writer.write(audio, 0, 48_000);
    }
    return Inspector.inspect(file);
  }

  private DeliveryReport report(DeliveryReport.Line... lines) {
    return new DeliveryReport(
        "Song", List.of(), "2026-03-14", List.of(lines), List.of("Choir.wav"), List.of("Piano"));
  }

  @Test
  void whatSomethingIsWrongWithComesFirst() throws IOException {
    DeliveryReport report =
        report(
            new DeliveryReport.Line("Kick.wav", second(), "drums/kick", List.of(), "Kick"),
            new DeliveryReport.Line("notes.txt", null, "unknown", List.of("no audio"), ""));
    assertThat(report.lines()).extracting("file").containsExactly("notes.txt", "Kick.wav");
    assertThat(report.summary()).isEqualTo("2 files received, 1 with findings");
    assertThat(report.lines().get(1).format()).isEqualTo("0:01.0, 48,000 Hz, 24-bit, mono");
    assertThat(report.lines().get(0).format()).isEqualTo("refused");
  }

  @Test
  void theTableIsReadBySpreadsheetsAndRunsNothingInThem() throws IOException {
    String csv =
        report(
                new DeliveryReport.Line(
                    "=cmd(\"x\").wav", second(), "drums", List.of("clipped, badly"), "Kick"))
            .toCsv();
    assertThat(csv.lines().toList())
        .hasSize(4)
        .contains(
            "\"'=cmd(\"\"x\"\").wav\",drums,Kick,1.000,48000,24,mono,-6.02,-5.98,-9.0,\"clipped, badly\"",
            "Choir.wav,,,,,,,,,,came before and not now",
            "\"\",,Piano,,,,,,,,nothing came");
    assertThat(csv).contains("\r\n");
  }
}
