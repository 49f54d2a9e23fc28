// What every part of the session works with.
#pragma once

#include "app/session/document.h"
#include "app/session/jobs.h"
#include "app/session/mailbox.h"
#include "app/session/preferences.h"
#include "app/session/voice.h"
#include "sound/audio_store.h"

namespace app {

// All of it outlives the parts.
struct Common {
    Document& document;
    Jobs& jobs;
    Mailbox& mailbox;
    sound::AudioStore& store;
    const Preferences& preferences;
    Voice& voice;
};

// One subject of the session: it takes snapshots of the document, lets jobs work with them, and hands back patches
// or makes an edit of what they found. Interface thread.
class Part : public QObject {
    Q_OBJECT
  public:
    explicit Part(const Common& common)
        : document_(common.document), jobs_(common.jobs), mailbox_(common.mailbox), store_(common.store),
          preferences_(common.preferences), voice_(common.voice) {}

  protected:
    const project::Project& now() const { return document_.now(); }
    const project::LaidPtr& laid() const { return document_.laid(); }
    const Selection& selection() const { return document_.selection(); }
    bool edit(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {}) {
        return document_.edit(name, std::move(next), gesture);
    }
    bool settle(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {}) {
        return document_.settle(name, std::move(next), gesture);
    }
    void say(const QString& sentence) { voice_.say(sentence); }
    void complain(const QString& title, const QStringList& lines) { voice_.complain(title, lines); }

    Document& document_;
    Jobs& jobs_;
    Mailbox& mailbox_;
    sound::AudioStore& store_;
    const Preferences& preferences_;
    Voice& voice_;
};

} // namespace app
