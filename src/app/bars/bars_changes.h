// What of the page Bars looks otherwise than it was last painted, so that an edit of one clip paints one clip.
#pragma once

#include "app/bars/bars_layout.h"
#include "app/session/session.h"

#include <QRegion>
#include <QSize>
#include <unordered_set>
#include <vector>

namespace app {

// Remembers what was shown. Scrolling, zooming and what is dragged are not its business: for these all is painted.
// Interface thread.
class BarsChanges {
  public:
    // Where the page differs from the last time this was asked, in its viewport's pixels. All of it where more than
    // clips and tracks changed.
    QRegion since(const Session& session, const BarsLayout& layout, QSize page);

  private:
    // How a clip stands besides what the document says of it.
    struct Standing {
        bool selected = false;
        bool rendered = false;
        std::string problem;
        std::shared_ptr<const prove::Proof> proof;
        bool operator==(const Standing&) const = default;
    };
    static std::vector<Standing> standingsOf(const Session& session, const project::Laid& laid);
    bool isAnotherPage(const project::Project& now, const BarsLayout& layout) const;
    // What changed on a page that is none other.
    struct Places {
        QRegion tracks;     // under the lanes
        bool moved = false; // what the overview shows
        bool tied = false;  // to other clips, by a cord across the tracks
    };
    void lookAtTracks(const project::Laid& now, const BarsLayout& layout, int width, Places& out) const;
    void lookAtClips(const project::Laid& now, const std::vector<Standing>& standings, const BarsLayout& layout,
                     Places& out) const;

    project::LaidPtr laid_;           // as it was shown
    std::vector<Standing> standings_; // of its clips
    std::vector<int> tops_;
    bool lanes_ = false;
    metre::Seconds tolerance_;
};

} // namespace app
