// Carrying out an order.
#pragma once

#include "deliver/order.h"
#include "prove/prove_clip.h"

#include <functional>
#include <memory>

namespace deliver {

struct Delivered {
    std::vector<std::filesystem::path> written;
    std::vector<std::string> problems; // sentences naming the file; the other files are written all the same
    std::size_t clipped = 0;           // samples cut at full scale, in all
    bool cancelled = false;
};

// What is known of the project already, so that it need not be made again.
struct Known {
    // The proof of a clip; null where it must be measured, and empty where none is known.
    std::function<std::shared_ptr<const prove::Proof>(project::ClipId)> proof;
    project::RenderingsPtr renderings; // null for none
};
// Called from the working thread when a file, by its place in the plan, is done, or has failed.
using FileDone = std::function<void(std::size_t file, bool written)>;

// Renders and writes what was planned, each file whole or not at all. Sound files say, where their kind has a place
// for it and the order wants it: tempo (where it is one all along), key and beats as tags; in WAV also root note,
// loop points and bars as cue points, and where in the project they begin (bext). Lengths are those of the grid, to
// the frame. Any thread; takes time. Cancelled, it keeps the files that are whole.
Delivered deliver(const project::LaidPtr& laid, const std::vector<Planned>& plan, const Order& order,
                  const base::Progress& progress = {}, const Known& known = {}, const FileDone& fileDone = {});

} // namespace deliver
