// The column of a table that holds names.
#pragma once

#include <QHeaderView>

namespace app {

// It takes what the other columns leave of so many pixels, but never fewer than `least`, in which names can be
// read.
inline void giveNamesTheRest(QHeaderView& header, int column, int room, int least) {
    const int others = header.length() - header.sectionSize(column);
    const bool fits = room - others >= least;
    header.setSectionResizeMode(column, fits ? QHeaderView::Stretch : QHeaderView::Interactive);
    if (!fits) header.resizeSection(column, least);
}

} // namespace app
