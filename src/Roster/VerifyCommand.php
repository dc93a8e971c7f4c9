<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\Connection;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'roster:verify',
    'Compares the stored segments of every enrollment with what the core computes from grants and overrides',
)]
final class VerifyCommand extends Command
{
    private const COLUMNS = [
        'from_at',
        'until_at',
        'state',
        'role',
        'roles',
        'rank',
        'listed',
        'holds_seat',
        'leads',
        'since_at',
    ];

    public function __construct(
        private readonly Connection $db,
        private readonly Enrollments $enrollments,
        private readonly Roles $roles,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'fix',
            null,
            InputOption::VALUE_NONE,
            'Store what follows where it differs, as after a change of how timelines are computed',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $checked = 0;
        $wrong = [];
        foreach (Row::all($this->db->fetchAllAssociative('SELECT id FROM site ORDER BY id')) as $site) {
            $stored = $this->stored($site->id('id'));
            $computed = $this->computed($site->id('id'));
            foreach (array_keys($stored + $computed) as $key) {
                ++$checked;
                if (($stored[$key] ?? []) !== ($computed[$key] ?? [])) {
                    $wrong[] = $key;
                }
            }
        }
        $fix = true === $input->getOption('fix');
        foreach ($wrong as $key) {
            if ($fix) {
                $this->enrollments->restate(substr($key, 0, 36), [substr($key, 36)]);
            }
            $output->writeln(
                \sprintf(
                    'site %s, person %s: what is stored is not what follows',
                    substr($key, 0, 36),
                    substr($key, 36),
                ),
            );
        }
        $output->writeln(\sprintf('%s enrollments compared, %d differ', number_format($checked), \count($wrong)));

        return [] === $wrong || $fix ? Command::SUCCESS : Command::FAILURE;
    }

    /** @return array<string, list<list<string>>> segments by site and person */
    private function stored(string $site): array
    {
        $stored = [];
        $rows = $this->db->iterateAssociative(
            'SELECT person_id, `'
                .implode('`, `', self::COLUMNS)
                .'`, g.sort_name, e.terms
                FROM enrollment_segment g LEFT JOIN enrollment e USING (site_id, person_id)
                WHERE site_id = ? ORDER BY person_id, from_at',
            [Id::binary($site)],
        );
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $stored[$site.$row->id('person_id')][] = array_map($row->string(...), [
                ...self::COLUMNS,
                'sort_name',
                'terms',
            ]);
        }

        return $stored;
    }

    /** @return array<string, list<list<string>>> */
    private function computed(string $site): array
    {
        $names = $this->names($site);
        $computed = [];
        foreach ($this->enrollments->ofSite($site) as $key => $enrollment) {
            foreach ($enrollment->timeline()->segments as $segment) {
                $columns = array_values(Enrollments::columns($segment, $this->roles->book()));
                $computed[$key][] = [...array_map(strval(...), $columns), ...$names[substr($key, 36)] ?? []];
            }
        }

        return $computed;
    }

    /** @return array<string, array{string, string}> what people are sorted and found by, by person */
    private function names(string $site): array
    {
        $names = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT p.id, p.sort_name, p.terms
                        FROM enrollment e
                        JOIN person p ON p.id = e.person_id
                        WHERE e.site_id = ?
                        SQL,
                    [Id::binary($site)],
                ),
            ) as $row
        ) {
            $names[$row->id('id')] = [$row->string('sort_name'), $row->string('terms')];
        }

        return $names;
    }
}
