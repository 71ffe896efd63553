module wildflourish.score { requires wildflourish.core; }
