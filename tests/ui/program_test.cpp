// The application as a program: started from a shell, without a monitor.
#include "support/files.h"

#include <QImage>
#include <gtest/gtest.h>

namespace {

std::string started(const std::string& arguments) {
    return std::string("QT_QPA_PLATFORM=offscreen PATIENT_METRE_OUTPUT=simulated ") + PM_APP + " " + arguments;
}

TEST(Program, TakesAPictureOfTheDemoAndEnds) {
    const support::Folder folder;
    const auto shot = folder / "shot.png";
    const auto r = support::run(started(support::quoted(support::demoFolder()) +
                                        " --select winch --size 1200x760 --shot " + support::quoted(shot)));
    ASSERT_EQ(r.status, 0) << r.err;
    const QImage image(QString::fromStdString(shot.string()));
    EXPECT_EQ(image.size(), QSize(1200, 760));
    // Painted, not blank: the paper, the ink and the red of the play position are all there.
    int red = 0;
    int dark = 0;
    for (int y = 0; y < image.height(); y += 2)
        for (int x = 0; x < image.width(); x += 2) {
            const QColor c(image.pixel(x, y));
            if (c.red() > 160 && c.green() < 90 && c.blue() < 80) ++red;
            if (c.lightness() < 60) ++dark;
        }
    EXPECT_GT(red, 50);
    EXPECT_GT(dark, 3000);
}

TEST(Program, AProjectThatIsNotThereIsSaidInTheWindowAndTheProgramGoesOn) {
    const support::Folder folder;
    const auto r = support::run(
        started(support::quoted(folder / "nowhere") + " --shot " + support::quoted(folder / "shot.png")));
    EXPECT_EQ(r.status, 0) << r.err;
    EXPECT_TRUE(std::filesystem::exists(folder / "shot.png"));
}

TEST(Program, SaysHowItIsStarted) {
    const auto help = support::run(started("--help"));
    EXPECT_EQ(help.status, 0);
    EXPECT_NE(help.out.find("--shot"), std::string::npos);
    EXPECT_EQ(support::run(started("--dance")).status, 2);
    const support::Folder folder;
    EXPECT_EQ(support::run(started("--shot " + support::quoted(folder / "no" / "such" / "shot.png"))).status, 1);
}

} // namespace
