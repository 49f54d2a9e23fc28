// A level that is set, on a bar that shows what sounds.
#pragma once

#include <QWidget>

namespace app {

class LevelBar : public QWidget {
    Q_OBJECT
  public:
    // From so many decibels to so many, and what a double click goes back to.
    LevelBar(const QString& name, double quietest, double loudest, double usual, QWidget* parent = nullptr);
    double level() const { return db_; }
    void setLevel(double db); // without telling
    // The peak since last called, as a factor; called at every tick.
    void feed(float peak);
    QSize sizeHint() const override { return {90, 18}; }

  signals:
    void levelChanged(double db); // by hand

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    double xOf(double db) const;
    void take(double db);

    const double quietest_;
    const double loudest_;
    const double usual_;
    double db_;
    double shown_ = -120;
};

} // namespace app
