<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core;

use Symfony\Component\Finder\Finder;

/** The rooms of the three floors in their order, and which of them use which, read from what their files import. */
final class Rooms
{
    /** A room may use those named before it. */
    public const ORDER = [
        'Time',
        'Text',
        'Shared',
        'Ui',
        'Platform',
        'Sites',
        'People',
        'Roles',
        'History',
        'Roster',
        'Weeks',
        'Items',
        'Messages',
        'Intake',
        'Changes',
        'Plans',
        'Groups',
        'Cohorts',
        'Accounts',
        'Doors',
        'Desk',
        'Demo',
        'App',
    ];

    /** @var array<string, array<string, list<string>>> by room and the room it uses: which file imports what */
    private array $uses = [];

    /** @var array<string, array<string, true>> floors by room */
    private array $floors = [];

    public function __construct(private readonly string $root)
    {
        $this->php('core', '/(?:^use |\\\\)MintDoor\\\\Core\\\\(\w+)\\\\\w/m');
        $this->php('src', '/(?:^use |\\\\)MintDoor\\\\(?:Core\\\\)?(\w+)\\\\\w/m');
        $this->web();
    }

    /** @return list<string> every import of a room that comes later, as "floor/Room/File uses Room" */
    public function upward(): array
    {
        $place = array_flip(self::ORDER);
        $upward = [];
        foreach ($this->uses as $room => $others) {
            foreach ($others as $other => $files) {
                if (!isset($place[$room], $place[$other]) || $place[$other] > $place[$room]) {
                    array_push($upward, ...array_map(static fn(string $file): string => "$file uses $other", $files));
                }
            }
        }

        return $upward;
    }

    /** The order as a table in Markdown: a room, the floors it has, and what it uses. */
    public function table(): string
    {
        $rows = ['| room | floors | uses |', '| --- | --- | --- |'];
        foreach (self::ORDER as $room) {
            if (isset($this->floors[$room])) {
                $used = array_intersect(self::ORDER, array_keys($this->uses[$room] ?? []));
                $rows[] = \sprintf(
                    '| %s | %s | %s |',
                    $room,
                    implode(', ', array_keys($this->floors[$room])),
                    implode(', ', $used)
                );
            }
        }

        return implode("\n", $rows)."\n";
    }

    private function php(string $floor, string $import): void
    {
        foreach ((new Finder())->files()->in("$this->root/$floor")->depth('> 0')->name(
            '*.php'
        )->sortByName() as $file) {
            preg_match_all($import, $file->getContents(), $found);
            $this->note($floor, $file->getRelativePathname(), $found[1]);
        }
    }

    private function web(): void
    {
        $files = (new Finder())
            ->files()
            ->in("$this->root/frontend/src")
            ->depth('> 0')
            ->exclude('testing')
            ->name(['*.ts', '*.vue'])
            ->notName('*.test.ts');
        foreach ($files->sortByName() as $file) {
            preg_match_all('#(?:from |import\()[\'"]@/(\w+)/#', $file->getContents(), $found);
            $this->note('frontend', $file->getRelativePathname(), array_map(ucfirst(...), $found[1]));
        }
    }

    /** @param array<string> $others */
    private function note(string $floor, string $path, array $others): void
    {
        $room = ucfirst(strstr($path, '/', true) ?: $path);
        $this->floors[$room][$floor] = true;
        foreach (array_unique($others) as $other) {
            if ($other !== $room && 'Core' !== $other) {
                $this->uses[$room][$other][] = "$floor/$path";
            }
        }
    }
}
