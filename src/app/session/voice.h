// What the session says to the user: in the status line, or in the message bar.
#pragma once

#include <QObject>
#include <QStringList>

namespace app {

// Interface thread.
class Voice : public QObject {
    Q_OBJECT
  public:
    using QObject::QObject;
    void say(const QString& sentence) { emit said(sentence); }
    void complain(const QString& title, const QStringList& lines) { emit told(title, lines, true); }

  signals:
    void said(const QString& sentence);
    void told(const QString& title, const QStringList& lines, bool isProblem);
};

} // namespace app
