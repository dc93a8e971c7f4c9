<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Messages\FirstTexts;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Sealer;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;

#[AsCommand('demo:load', 'Fills an empty platform with the demo conservatory; --fresh empties it first')]
final class DemoLoadCommand extends Command
{
    public function __construct(
        private readonly Connection $db,
        private readonly WholePlatform $platform,
        private readonly PlatformClock $clock,
        private readonly PasswordHasherFactoryInterface $hashers,
        private readonly DoorKeys $keys,
        private readonly Sealer $sealer,
        private readonly FirstTexts $texts,
        private readonly DemoAccounts $lately,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('fresh', null, InputOption::VALUE_NONE, 'Empty the platform first');
        $this->addOption(
            'scale',
            null,
            InputOption::VALUE_REQUIRED,
            'demo, large (200,000 people, 5,000 sites, 1,000,000 enrollments), or how many people',
            'demo',
        );
        $this->addOption(
            'files',
            null,
            InputOption::VALUE_REQUIRED,
            'An empty folder: files for LOAD DATA are written there instead; load.sql reads them',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $started = microtime(true);
        $inhabited = false !== $this->db->fetchOne('SELECT 1 FROM person LIMIT 1');
        if (true === $input->getOption('fresh')) {
            if ($inhabited && !DemoSignIns::live($this->db) && !$this->platform->onlyFounded()) {
                $output->writeln(
                    '<error>The people of this platform are not the demo\'s, so they are not thrown out. Empty the '
                        .'database yourself if you mean it.</error>',
                );

                return Command::FAILURE;
            }
            $this->platform->empty();
        } elseif ($inhabited) {
            $output->writeln('There are people on this platform already. Nothing was changed; --fresh empties it '
                .'first.');

            return Command::SUCCESS;
        }
        $folder = $input->getOption('files');
        $demo = new DemoPlatform(
            $this->db,
            $this->clock->instant(),
            $this->hashers->getPasswordHasher(Caller::class)->hash(DemoSignIns::PASSWORD),
            \is_string($folder) ? new FileWriter($this->db, $folder) : null,
        );
        $people = $this->howMany($input->getOption('scale'));
        if (\is_string($folder)) {
            $demo->furnishLarge($people ?? throw new \InvalidArgumentException('Files are for many people.'));
            $output->writeln(\sprintf('Written in %.1f s', microtime(true) - $started));

            return Command::SUCCESS;
        }
        if (null !== $people) {
            // Made by the same hands as the small one, whose rows are checked.
            $this->db->executeStatement('SET unique_checks = 0, foreign_key_checks = 0');
            $demo->furnishLarge($people);
            $this->db->fetchAllAssociative(
                'ANALYZE TABLE person_term, person_key, name_slip, enrollment_segment, person, enrollment, '
                    .'access_grant, enrollment_override, '
                    .'site',
            );
        } else {
            $this->db->transactional(fn() => $demo->furnish($this->keys, $this->sealer, $this->texts));
            $this->lately->furnish();
        }
        foreach (['person' => 'people', 'site' => 'sites', 'enrollment' => 'enrollments'] as $table => $what) {
            $count = $this->db->fetchOne('SELECT COUNT(*) FROM '.$table);
            $output->writeln(\sprintf('%9s %s', number_format(is_numeric($count) ? (int) $count : 0), $what));
        }
        $output->writeln(\sprintf('in %.1f s', microtime(true) - $started));

        return Command::SUCCESS;
    }

    /** Null for the demo itself. */
    private function howMany(mixed $scale): ?int
    {
        return match (true) {
            'demo' === $scale => null,
            'large' === $scale => 200_000,
            \is_string($scale) && ctype_digit($scale) && $scale >= 2_000 => (int) $scale,
            default => throw new \InvalidArgumentException('Say demo, large, or how many people: 2000 or more.'),
        };
    }
}
