<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Reseals;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

#[AsCommand(
    'secrets:reseal',
    'Seals anew, under APP_SECRET, what was sealed under APP_SECRET_PREVIOUS; then that one can go',
)]
final class ResealCommand extends Command
{
    /** @param iterable<Reseals> $holders */
    public function __construct(#[AutowireIterator(Reseals::class)] private readonly iterable $holders)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $sealed = [];
        foreach ($this->holders as $holder) {
            $done = $holder->reseal();
            $sealed[] = $done->many.' '.$done->what;
        }
        $output->writeln('Sealed anew: '.implode(', ', $sealed).'.');

        return Command::SUCCESS;
    }
}
