<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Accounts\LostJobs;
use MintDoor\Cohorts\CohortNight;
use MintDoor\Cohorts\CohortTicker;
use MintDoor\Groups\GroupLetters;
use MintDoor\Groups\GroupRunner;
use MintDoor\Plans\PlanRunner;
use MintDoor\Plans\WishLetters;
use MintDoor\Shared\Repository\Health;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Does what doors do by themselves: offers seats, reminds, lets lapse, warns and releases. May run twice, and on
 * several machines.
 */
#[AsCommand(
    'doors:tick',
    'Does what is due: seats offered, invitations reminded of or lapsed, quiet people released, lists gone on with',
)]
final class ScheduledDoorTasksCommand extends Command
{
    public function __construct(
        private readonly ScheduledDoorTasks $tasks,
        private readonly Starters $starters,
        private readonly LostJobs $jobs,
        private readonly WishLetters $letters,
        private readonly PlanRunner $plans,
        private readonly GroupRunner $groups,
        private readonly GroupLetters $choices,
        private readonly CohortTicker $cohorts,
        private readonly CohortNight $night,
        private readonly Health $health,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'every',
            null,
            InputOption::VALUE_REQUIRED,
            'Seconds after which to look again, until stopped; once without it',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $every = $input->getOption('every');
        $every = is_numeric($every) ? max(1, (int) $every) : 0;
        $end = time() + 900;
        do {
            $done = [
                ...$this->tasks->all(),
                'starters' => $this->starters->keep(),
                'cohorts' => $this->cohorts->keep()->lines,
                'mended' => $this->night->due(),
                'lists' => $this->jobs->again(),
                'wishes' => $this->letters->due(),
                'plans' => $this->plans->again(),
                'groups' => $this->groups->again(),
                'choices' => $this->choices->due(),
                'settled' => $this->groups->settle(),
            ];
            $this->health->beat('scheduler');
            if ([] !== array_filter($done)) {
                $output->writeln(
                    implode(
                        ', ',
                        array_map(static fn(string $what, int $n): string => "$what: $n", array_keys($done), $done),
                    ),
                );
            }
            $every > 0 && sleep($every);
        } while ($every > 0 && time() < $end);

        return Command::SUCCESS;
    }
}
