<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\StoredSegments;
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
    public function __construct(
        private readonly StoredSegments $segments,
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
        foreach ($this->segments->sites() as $site) {
            $stored = $this->segments->ofSite($site);
            $computed = $this->computed($site);
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

    /** @return array<string, list<list<string>>> */
    private function computed(string $site): array
    {
        $names = $this->segments->names($site);
        $computed = [];
        foreach ($this->enrollments->ofSite($site) as $key => $enrollment) {
            foreach ($enrollment->timeline()->segments as $segment) {
                $columns = array_values(Enrollments::columns($segment, $this->roles->book()));
                $computed[$key][] = [...array_map(strval(...), $columns), ...$names[substr($key, 36)] ?? []];
            }
        }

        return $computed;
    }
}
